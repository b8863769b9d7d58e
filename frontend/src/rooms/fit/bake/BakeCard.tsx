import { Box, Typography } from "@mui/material";

import type { CardCaution, Fit, FitRequest, OvenView } from "../../../api/client";
import { CautionNote } from "../shared/CautionNote";
import { FindingRow } from "../../../ui/FindingRow";
import { PanRow } from "./PanRow";

interface BakeCardProps {
  fit: Fit;
  view: OvenView;
  request: FitRequest;
}

/** The bake card: what to do to each pan and when, what to look for, what to mind. */
export function BakeCard({ fit, view, request }: BakeCardProps) {
  const { card } = view;
  const longest = Math.max(...fit.bakes.map((bake) => bake.latest_min ?? 0), 1);
  const stops = fit.findings.filter((finding) => finding.severity !== "note");
  const findings = view.findings.filter((finding) => finding.severity !== "note");
  return (
    <>
      <Cautions step="heat" cautions={card.cautions} />
      {fit.bakes.map((bake, place) => (
        <PanRow
          key={`${String(place)}-${bake.label}`}
          entry={place}
          fit={fit}
          bake={bake}
          card={card.pans.find((one) => one.entry === place)}
          longest={longest}
          request={request}
        />
      ))}
      {card.pans.length > 0 && (
        <Typography sx={{ fontSize: "size.title", mt: 2, lineHeight: 1.3 }}>
          <strong>Done when</strong> {card.signs.map((one) => one.text).join("; ")}. A sign ends the
          bake, not the clock; the door stays shut until the first look.
          {card.probe && (
            <Typography component="span" color="textSecondary" sx={{ fontSize: "size.read" }}>
              {" "}
              With a thermometer: {card.probe.text}.
            </Typography>
          )}
        </Typography>
      )}
      {view.loads
        .map((load) => load.turn)
        .filter(unique)
        .map(
          (turn) =>
            turn && (
              <Typography key={turn} sx={{ fontSize: "size.strong", mt: 1 }}>
                {turn}
              </Typography>
            ),
        )}
      <Box sx={{ mt: 1.5 }}>
        {[...stops, ...findings].map((finding) => (
          <FindingRow key={`${finding.code}-${String(finding.entry)}`} finding={finding} />
        ))}
      </Box>
      <Cautions step="in" cautions={card.cautions} />
      <Cautions step="out" cautions={card.cautions} />
    </>
  );
}

function Cautions({ step, cautions }: { step: CardCaution["step"]; cautions: CardCaution[] }) {
  const texts = cautions.filter((one) => one.step === step).map((one) => one.text);
  return texts.length === 0 ? null : <CautionNote texts={texts} />;
}

function unique(text: string, place: number, all: string[]): boolean {
  return all.indexOf(text) === place;
}
