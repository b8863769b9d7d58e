import { Checkbox, FormControlLabel } from "@mui/material";
import { styled } from "@mui/material/styles";

import { memo } from "react";

import type { Fit, FitLine } from "../../../api/client";
import { besideGrams } from "../../../domain/units";
import { Figure } from "../../../ui/Figure";
import { HIDDEN } from "../../../ui/hidden";
import { useUnits } from "../../../ui/useUnits";
import { ColumnTitle } from "../shared/ColumnTitle";
import { linesByComponent } from "../shared/components";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { BatchHead } from "./BatchHead";
import { CardChoices } from "./CardChoices";
import { SharesPanel } from "../shares/SharesPanel";
import { EggChoices } from "./EggChoices";
import { LaidWhole } from "./LaidWhole";
import { RaisingChoice } from "./RaisingChoice";

interface CardColumnProps {
  fit: Fit;
  inHand: FitChoicesInHand;
}

/** The card: every line, was and now, eggs with their choices. */
export const CardColumn = memo(function CardColumn({ fit, inHand }: CardColumnProps) {
  const { choose } = inHand;
  const groups = linesByComponent(fit.lines);
  const included = fit.lines
    .filter((one) => one.optional && one.included)
    .map((one) => one.id)
    .join(",");
  return (
    <>
      <ColumnTitle id="card-title" aside="was → weigh out">
        Card
      </ColumnTitle>
      <BatchHead fit={fit} />
      <CardTable>
        <caption className="visually-hidden" style={HIDDEN}>
          Amounts as the recipe has them and as to weigh now
        </caption>
        <thead style={HIDDEN}>
          <tr>
            <th scope="col">Ingredient</th>
            <th scope="col">Was</th>
            <th scope="col">Now</th>
            <th scope="col">Or by measure</th>
          </tr>
        </thead>
        {groups.map((group) => (
          <tbody key={group.key}>
            {groups.length > 1 && (
              <tr>
                <th colSpan={4} scope="rowgroup" className="group">
                  {group.title}
                </th>
              </tr>
            )}
            {group.lines.map((line) => (
              <LineRow
                key={line.id}
                line={line}
                eggs={line.id === fit.eggs?.line ? fit.eggs : null}
                included={included}
                choose={choose}
              />
            ))}
          </tbody>
        ))}
      </CardTable>
      <CardChoices fit={fit} choose={choose} />
      <RaisingChoice fit={fit} choose={choose} />
      <LaidWhole fit={fit} inHand={inHand} />
      <SharesPanel fit={fit} inHand={inHand} />
    </>
  );
});

/** Styles of all rows in one place: a card of fourteen lines is drawn anew with every choice. */
const CardTable = styled("table")(({ theme: t }) => ({
  width: "100%",
  borderCollapse: "collapse",
  "& tr.line, & tr.part": { borderBottom: `1px solid ${t.vars.palette.divider}` },
  "& td": { textAlign: "right", paddingLeft: t.spacing(1) },
  "& tr.line > *": {
    paddingTop: t.spacing(0.45),
    paddingBottom: t.spacing(0.45),
    verticalAlign: "middle",
    lineHeight: 1.15,
  },
  "& tr.optional > *": { paddingTop: 0, paddingBottom: 0 },
  "& tr.lead": { backgroundColor: t.vars.palette.bench.butterTint },
  "& th": { textAlign: "left", fontWeight: 500 },
  "& th.group": {
    fontWeight: 700,
    paddingTop: t.spacing(1),
    fontSize: t.typography.size.tiny,
    color: t.vars.palette.text.secondary,
  },
  "& tr.eggs > td": { textAlign: "left", padding: 0, lineHeight: 1 },
  "& .was": { color: t.vars.palette.text.secondary, fontSize: t.typography.size.note },
  "& .small": {
    display: "block",
    fontSize: t.typography.size.tiny,
    color: t.vars.palette.text.secondary,
  },
  "& .now": { ...t.typography.quantity, fontSize: t.typography.size.lead, maxWidth: 116 },
  "& .now.long": { fontSize: t.typography.size.body },
  "& .now > .small": { fontWeight: 400 },
  "& .second": {
    textAlign: "left",
    color: t.vars.palette.text.secondary,
    fontSize: t.typography.size.small,
    minWidth: 62,
    maxWidth: 78,
  },
  "& .out": { textAlign: "left", color: t.vars.palette.text.secondary },
  "& tr.part > *": {
    paddingTop: t.spacing(0.3),
    paddingBottom: t.spacing(0.3),
    color: t.vars.palette.text.secondary,
    fontSize: t.typography.size.small,
    lineHeight: 1.1,
  },
  "& tr.part > th": { fontWeight: 400, paddingLeft: t.spacing(2) },
  "& tr.part > td.grams": { fontWeight: 700, color: t.vars.palette.text.primary },
}));

/** Signs from which an amount takes both columns: "2 eggs + 13 g beaten egg". */
const LONG = 16;

interface LineRowProps {
  line: FitLine;
  /** The eggs, where it is their line that decides. */
  eggs: Fit["eggs"];
  /** Ids of the optional lines that go in, one string so that it compares. */
  included: string;
  choose: FitChoicesInHand["choose"];
}

/** Drawn anew only when something of it changed; the query keeps what stayed the same. */
const LineRow = memo(function LineRow({ line, eggs, included, choose }: LineRowProps) {
  const toggle = () => {
    const chosen = included.split(",").filter(Boolean).map(Number);
    choose({
      withOptional: line.included ? chosen.filter((id) => id !== line.id) : [...chosen, line.id],
    });
  };
  const kind = ["line", line.optional && "optional", eggs && "lead"].filter(Boolean).join(" ");
  return (
    <>
      <tr className={kind}>
        <th scope="row">
          {line.optional ? (
            <FormControlLabel
              control={
                <Checkbox
                  checked={line.included}
                  onChange={toggle}
                  sx={{ p: 0.5, minHeight: 36 }}
                />
              }
              label={line.name}
              slotProps={{ typography: { sx: { lineHeight: 1.15, fontSize: "inherit" } } }}
              sx={{ ml: -0.75, mr: 0, color: line.included ? "text.primary" : "text.secondary" }}
            />
          ) : (
            line.name
          )}
          {line.swapped_from && <span className="small">for {line.swapped_from}</span>}
        </th>
        <td className="was">
          <Figure from={line.origins.recipe_g}>{line.was}</Figure>
        </td>
        <Now line={line} />
      </tr>
      {eggs && eggs.options.length > 1 && (
        <tr className="line lead eggs">
          <td colSpan={4}>
            <EggChoices eggs={eggs} choose={choose} />
          </td>
        </tr>
      )}
      {line.parts.map((part) => (
        <tr className="part" key={part.name}>
          <th scope="row">{part.name}</th>
          <td>{part.recipe_g === null ? "" : `${String(Math.round(part.recipe_g))} g`}</td>
          <td className="grams">{part.shown}</td>
          <td />
        </tr>
      ))}
    </>
  );
});

/** The new amount in two columns: what to go by large, the other way to measure it small. */
function Now({ line }: { line: FitLine }) {
  const units = useUnits();
  if (!line.included) {
    return (
      <td colSpan={2} className="out">
        left out
      </td>
    );
  }
  const lead = line.measure_leads ? line.shown_measure : (line.shown_g ?? line.shown_measure);
  const second = line.measure_leads
    ? line.shown_g
    : (line.shown_measure ?? besideGrams(line.shown_g === null ? null : line.g, units));
  const words = lead ?? line.shown;
  if (words.length > LONG) {
    return (
      <td colSpan={2} className="now long">
        <Figure from={line.origins.g} wraps>
          {words}
        </Figure>
        {second && <span className="small">{second}</span>}
      </td>
    );
  }
  return (
    <>
      <td className={words.length > 7 ? "now long" : "now"}>
        <Figure from={line.origins.g} wraps={words.length > 10}>
          {words}
        </Figure>
      </td>
      <td className="second">{second}</td>
    </>
  );
}
