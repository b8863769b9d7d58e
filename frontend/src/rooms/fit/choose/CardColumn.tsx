import { Box, Checkbox, FormControlLabel, Typography } from "@mui/material";

import { memo } from "react";

import type { Fit, FitLine } from "../../../api/client";
import { Figure } from "../../../ui/Figure";
import { HIDDEN } from "../../../ui/hidden";
import { ColumnTitle } from "../ColumnTitle";
import { linesByComponent } from "../components";
import type { FitChoicesInHand } from "../useFitChoices";
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
  return (
    <>
      <ColumnTitle id="card-title" aside="was → weigh out">
        Card
      </ColumnTitle>
      <Box component="table" sx={{ width: "100%", borderCollapse: "collapse" }}>
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
          <tbody key={group.component}>
            {groups.length > 1 && (
              <tr>
                <Box
                  component="th"
                  colSpan={4}
                  scope="rowgroup"
                  sx={{ textAlign: "left", pt: 1, fontSize: "0.85rem", color: "text.secondary" }}
                >
                  {group.title}
                </Box>
              </tr>
            )}
            {group.lines.map((line) => (
              <LineRow key={line.id} line={line} fit={fit} choose={choose} />
            ))}
          </tbody>
        ))}
      </Box>
      <CardChoices fit={fit} choose={choose} />
      {fit.eggs && <EggChoices eggs={fit.eggs} choose={choose} />}
      <RaisingChoice fit={fit} choose={choose} />
      <LaidWhole fit={fit} inHand={inHand} />
      <SharesPanel fit={fit} inHand={inHand} />
    </>
  );
});

const SMALL = { fontSize: "0.82rem", color: "text.secondary" } as const;

/** Signs from which an amount takes both columns: "2 eggs + 13 g beaten egg". */
const LONG = 16;

/** Eggs with beaten egg beside them take two lines rather than the name's room. */
const WRAPS = { whiteSpace: "normal" } as const;

interface LineRowProps {
  line: FitLine;
  fit: Fit;
  choose: FitChoicesInHand["choose"];
}

function LineRow({ line, fit, choose }: LineRowProps) {
  const lead = line.id === fit.eggs?.line;
  const toggle = () => {
    const chosen = fit.lines.filter((one) => one.optional && one.included).map((one) => one.id);
    choose({
      withOptional: line.included ? chosen.filter((id) => id !== line.id) : [...chosen, line.id],
    });
  };
  return (
    <>
      <Box
        component="tr"
        sx={(t) => ({
          borderBottom: `1px solid ${t.vars.palette.divider}`,
          ...(lead && { bgcolor: t.vars.palette.bench.butterTint }),
          "& > *": { py: line.optional ? 0 : 0.45, verticalAlign: "middle", lineHeight: 1.15 },
          "& > td": { textAlign: "right", pl: 1 },
        })}
      >
        <Box component="th" scope="row" sx={{ textAlign: "left", fontWeight: 500 }}>
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
          {line.swapped_from && (
            <Box component="span" sx={{ display: "block", ...SMALL }}>
              for {line.swapped_from}
            </Box>
          )}
        </Box>
        <Box component="td" sx={{ color: "text.secondary", fontSize: "0.92rem" }}>
          <Figure from={line.origins.recipe_g}>{line.was}</Figure>
        </Box>
        <Now line={line} />
      </Box>
      {line.parts.map((part) => (
        <Box
          component="tr"
          key={part.name}
          sx={{
            borderBottom: 1,
            borderColor: "divider",
            "& > *": { py: 0.3, color: "text.secondary", fontSize: "0.9rem", lineHeight: 1.1 },
            "& > td": { textAlign: "right", pl: 1 },
          }}
        >
          <Box component="th" scope="row" sx={{ textAlign: "left", fontWeight: 400, pl: 2 }}>
            {part.name}
          </Box>
          <td>{part.recipe_g === null ? "" : `${String(Math.round(part.recipe_g))} g`}</td>
          <Box component="td" sx={{ fontWeight: 700, "&&": { color: "text.primary" } }}>
            {part.shown}
          </Box>
          <td />
        </Box>
      ))}
    </>
  );
}

/** The new amount in two columns: what to go by large, the other way to measure it small. */
function Now({ line }: { line: FitLine }) {
  if (!line.included) {
    return (
      <Box component="td" colSpan={2} sx={{ "&&": { textAlign: "left" }, color: "text.secondary" }}>
        left out
      </Box>
    );
  }
  const lead = line.measure_leads ? line.shown_measure : (line.shown_g ?? line.shown_measure);
  const second = line.measure_leads ? line.shown_g : line.shown_measure;
  if ((lead ?? "").length > LONG) {
    return (
      <Box component="td" colSpan={2}>
        <Typography variant="quantity" sx={{ fontSize: "1rem" }}>
          <Figure from={line.origins.g} sx={WRAPS}>
            {lead ?? line.shown}
          </Figure>
        </Typography>
        {second && (
          <Box component="span" sx={{ display: "block", ...SMALL }}>
            {second}
          </Box>
        )}
      </Box>
    );
  }
  return (
    <>
      <Box component="td" sx={{ maxWidth: 116 }}>
        <Typography
          variant="quantity"
          sx={{ fontSize: (lead ?? "").length > 7 ? "1rem" : "1.2rem" }}
        >
          <Figure from={line.origins.g} sx={(lead ?? "").length > 10 ? WRAPS : {}}>
            {lead ?? line.shown}
          </Figure>
        </Typography>
      </Box>
      <Box
        component="td"
        sx={{
          "&&": { textAlign: "left" },
          color: "text.secondary",
          fontSize: "0.88rem",
          minWidth: 62,
          maxWidth: 78,
        }}
      >
        {second}
      </Box>
    </>
  );
}
