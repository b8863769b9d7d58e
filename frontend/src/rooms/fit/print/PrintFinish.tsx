import { useQuery } from "@tanstack/react-query";

import type { Fit, FitRequest } from "../../../api/client";
import { finishQuery } from "../../../api/queries/fit";
import { clock, grams } from "../../../domain/numbers";
import { useUnits } from "../../../ui/useUnits";
import { Drawings } from "../../../finish/Drawings";
import { CutPlan } from "../finish/CutPlan";
import { PrintFrame } from "../../../ui/PrintFrame";

/** The finished cake on a page: drawn whole, what to make, in which order. */
export function PrintFinish({ fit, request }: { fit: Fit; request: FitRequest }) {
  const done = useQuery(finishQuery(request)).data;
  const units = useUnits();
  if (!done) return null;
  const findings = done.findings.filter((finding) => finding.severity !== "note");
  return (
    <PrintFrame tall>
      <h1>{fit.recipe.title}: finish</h1>
      <Drawings done={done} units={units} onPart={() => undefined} />
      <h2>What goes on it</h2>
      <table>
        <tbody>
          {done.components
            .filter((part) => part.uses.length > 0)
            .map((part) => (
              <tr key={part.key}>
                <td>
                  <strong>{part.title}</strong>
                  {part.house ? " (house formula)" : ""}:{" "}
                  {part.made_from
                    .map((one) => `${grams(one.g)} g ${one.name.toLowerCase()}`)
                    .join(", ")}
                </td>
                <td>{part.uses.map((use) => use.words).join("; ")}</td>
                <td className="number">{grams(part.make_g)} g</td>
              </tr>
            ))}
        </tbody>
      </table>
      <h2>In this order</h2>
      <ol>
        {done.steps.map((step) => (
          <li key={step.key}>
            <strong>{step.name}</strong>{" "}
            {[
              step.hands_min > 0 && `hands ${clock(step.hands_min)}`,
              step.wait_min > 0 && `wait ${clock(step.wait_min)}`,
            ]
              .filter(Boolean)
              .join(", ")}
            {step.sign ? `: ${step.sign}` : ""} {step.caution}
          </li>
        ))}
      </ol>
      {done.cakes.map((cake, place) => (
        <CutPlan
          key={`${String(place)}-${cake.label}`}
          cake={cake}
          alone={done.cakes.length === 1}
        />
      ))}
      {findings.length > 0 && (
        <ul>
          {findings.map((one) => (
            <li key={`${one.code}-${String(one.entry)}-${one.subject}`}>{one.text}</li>
          ))}
        </ul>
      )}
    </PrintFrame>
  );
}
