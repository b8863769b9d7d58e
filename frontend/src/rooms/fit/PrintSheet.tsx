import { Box } from "@mui/material";
import { memo } from "react";

import type { Fit } from "../../api/client";
import { countOf, grams, times } from "../../domain/numbers";
import { length } from "../../domain/units";
import { useUnits } from "../../ui/useUnits";
import { linesByComponent } from "./shared/components";
import { PrintFrame } from "../../ui/PrintFrame";
import { PrintDrawings } from "./print/PrintDrawings";
import { PrintMixes } from "./print/PrintMixes";
import { Method } from "./shared/Method";

/** One page in black on white: pans, card, bake. Only print sees it. */
export const PrintSheet = memo(function PrintSheet({ fit }: { fit: Fit }) {
  const units = useUnits();
  const findings = fit.findings.filter((finding) => finding.severity !== "note");
  const mixed = fit.mixes.length > 1 ? (fit.mixes[0]?.lines.map((line) => line.id) ?? []) : [];
  const unmixed = fit.lines.filter((line) => !mixed.includes(line.id));
  return (
    <PrintFrame>
      <h1>
        {fit.recipe.title}
        {fit.recipe.variant_name && `, ${fit.recipe.variant_name}`}
      </h1>
      <p>
        {fit.factor === null ? "No pans chosen." : `${times(fit.factor)} of the recipe`}
        {fit.batter_g === null ? "" : `, ${grams(fit.batter_g)} g batter`}
        {fit.weighed_g === null ? "" : ` (weighed: ${grams(fit.weighed_g)} g)`}
        {fit.source.oven ? `, written for ${fit.source.oven}` : ""}
        {fit.source.time ? `, ${fit.source.time}` : ""}
      </p>
      <h2>Pans</h2>
      <PrintDrawings pans={fit.pans} source={fit.source.pans} />
      <table>
        <tbody>
          {fit.pans.map((pan, place) => (
            <tr key={`${String(place)}-${pan.label}`}>
              <th scope="row">{countOf(pan)}</th>
              <td className="number">
                {pan.batter_g_each === null
                  ? "–"
                  : `${grams(pan.batter_g_each)} g${pan.count > 1 ? " each" : ""}`}
              </td>
              <td>{pan.batter_cm === null ? "" : `${length(pan.batter_cm, units)} deep`}</td>
              <td>{pan.verdict}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <PrintMixes fit={fit} />
      <div className="parts">
        {linesByComponent(unmixed).map((group) => (
          <Box key={group.key}>
            <h2>{group.title}</h2>
            <table className="amounts">
              <tbody>
                {group.lines.map((line) => (
                  <tr key={line.id}>
                    <td>☐</td>
                    <th scope="row">
                      {line.name}
                      {line.swapped_from && (
                        <span style={{ fontWeight: 400 }}> (for {line.swapped_from})</span>
                      )}
                      {line.parts.map((part) => (
                        <div key={part.name} style={{ fontWeight: 400 }}>
                          {part.shown} {part.name}
                        </div>
                      ))}
                    </th>
                    <td>{line.was}</td>
                    <td className="number">{line.shown}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </Box>
        ))}
      </div>
      {fit.opened.map((one) => (
        <p key={one.line}>
          {one.name}: {one.text}.
        </p>
      ))}
      {fit.shares.map((share) => (
        <p key={share.name}>
          <strong>{share.name}:</strong> {share.steps.join(" ")}
        </p>
      ))}
      {fit.steps.length > 0 && (
        <>
          <h2>Method</h2>
          <Method steps={fit.steps} notes={fit.method} />
        </>
      )}
      <h2>Prepare</h2>
      <ul>
        {fit.pans
          .filter((pan) => pan.lining.length > 0)
          .map((pan, place) => (
            <li key={`${String(place)}-${pan.label}`}>
              <strong>{countOf(pan)}:</strong> {pan.lining.map((one) => one.text).join(" ")}
            </li>
          ))}
      </ul>
      <PrintBake fit={fit} />
      <ul>
        {findings.map((finding) => (
          <li key={`${finding.code}-${String(finding.entry)}`}>{finding.text}</li>
        ))}
        {[...fit.cautions.weigh, ...fit.cautions.bake].map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </PrintFrame>
  );
});

/** The oven, and when it is done. */
function PrintBake({ fit }: { fit: Fit }) {
  return (
    <>
      <h2>Bake in {fit.oven.name}</h2>
      <table>
        <tbody>
          {fit.bakes.map((bake, place) => (
            <tr key={`${String(place)}-${bake.label}`}>
              <th scope="row">{bake.label}</th>
              <td className="number">{bake.dial ?? "–"}</td>
              <td className="number">
                {bake.likely_min === null
                  ? "no time to give"
                  : `look at ${String(bake.first_look_min)} min · likely ${String(bake.likely_min)} min · no later than ${String(bake.latest_min)} min`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        <strong>Done when</strong> {fit.done_when.join("; ")}. A sign ends the bake, not the clock.
        {fit.recipe.stand_min !== null &&
          ` Stand ${String(fit.recipe.stand_min)} min in the pan${fit.recipe.cooling ? `, then ${fit.recipe.cooling}` : ""}.`}
        {fit.recipe.stand_min === null && fit.recipe.cooling && ` Then ${fit.recipe.cooling}.`}
      </p>
    </>
  );
}
