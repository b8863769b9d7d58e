import { useQuery } from "@tanstack/react-query";

import type { Fit, FitRequest, OvenView } from "../../../api/client";
import { countOf, grams } from "../../../domain/numbers";
import { ovenViewQuery } from "../../../api/queries/fit";
import { PrintFrame } from "../../../ui/PrintFrame";
import { PrintInside } from "./PrintInside";

/** The bake card on one page, to hang by the oven. */
export function PrintCard({ fit, request }: { fit: Fit; request: FitRequest }) {
  const view = useQuery(ovenViewQuery(request, false)).data;
  const card = view?.card;
  const dials = [...new Set(fit.bakes.map((bake) => bake.phases[0]?.dial ?? ""))].filter(Boolean);
  return (
    <PrintFrame>
      <h1>{fit.recipe.title}: bake card</h1>
      <p style={{ fontSize: "15pt" }}>
        <strong>{dials.join(" / ")}</strong> · {fit.oven.name}
        {card && ` · switch on ${String(card.heat_before_min)} min before`}
      </p>
      {fit.bakes.map((bake, place) => {
        const pan = fit.pans[place];
        const own = card?.pans.find((one) => one.entry === place);
        return (
          <section key={`${String(place)}-${bake.label}`}>
            <h2>
              {pan ? countOf(pan) : bake.label}
              {pan?.batter_g_each ? `, ${grams(pan.batter_g_each)} g each` : ""}
              {own?.shelf ? `, ${own.shelf}` : ""}
            </h2>
            {bake.likely_min === null ? (
              <p>No time can be given for this one.</p>
            ) : (
              <p style={{ fontSize: "22pt" }}>
                <strong>look at {bake.first_look_min} min</strong> · likely {bake.likely_min} min ·
                no later than {bake.latest_min} min
              </p>
            )}
            {bake.phases.length > 1 && (
              <p style={{ fontSize: "13pt" }}>
                {bake.phases
                  .map(
                    (phase) =>
                      `${String(phase.from_min)}–${phase.to_min === null ? "done" : String(phase.to_min)}: ${phase.dial}${phase.covered ? ", covered" : ""}`,
                  )
                  .join("; ")}
              </p>
            )}
            {own && (
              <p style={{ fontSize: "11pt" }}>
                {own.not_done} {own.too_dark} <strong>Done:</strong> stand {own.stand_min} min, then{" "}
                {own.leaving}. It took ______ min.
              </p>
            )}
          </section>
        );
      })}
      <PrintInside fit={fit} request={request} />
      {card && (
        <>
          <h2>Done when</h2>
          <p style={{ fontSize: "13pt" }}>
            {card.signs.map((one) => one.text).join("; ")}. A sign ends the bake, not the clock.
          </p>
          <LoadWords view={view} />
          <ul>
            {card.cautions.map((one) => (
              <li key={one.text}>{one.text}</li>
            ))}
          </ul>
        </>
      )}
    </PrintFrame>
  );
}

function LoadWords({ view }: { view: OvenView }) {
  return view.loads.map((load, place) => (
    <p key={`${load.dial}-${String(place)}`} style={{ fontSize: "11pt" }}>
      {view.loads.length > 1 && `Load ${String(place + 1)}: ${load.labels.join(", ")}. `}
      {load.turn} {load.slower}
    </p>
  ));
}
