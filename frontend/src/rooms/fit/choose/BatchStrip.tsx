import { Box, Button, Collapse, Typography } from "@mui/material";
import { memo, useState } from "react";

import type { Finding, Fit, Provenance } from "../../../api/client";
import { grams, times } from "../../../domain/numbers";
import { Figure } from "../../../ui/Figure";
import { FindingRow } from "../../../ui/FindingRow";

const SHOWN = 2;

/** The batch in a row of figures, and what there is to know about it. */
export const BatchStrip = memo(function BatchStrip({ fit }: { fit: Fit }) {
  const [why, setWhy] = useState(false);
  return (
    <Box
      component="section"
      aria-label="The batch"
      sx={{
        bgcolor: "background.paper",
        borderRadius: 2,
        border: 1,
        borderColor: "divider",
        px: 2.5,
        py: 1.25,
        display: "flex",
        flexWrap: "wrap",
        columnGap: 4,
        rowGap: 1,
        alignItems: "flex-start",
      }}
    >
      {fit.factor !== null && (
        <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 4, rowGap: 1 }}>
          <Value words="of the recipe" from={fit.origins.factor}>
            {times(fit.factor)}
          </Value>
          {fit.eggs && (
            <Value words={`was ${String(fit.eggs.recipe_count)}`}>{fit.eggs.text}</Value>
          )}
          <Value
            words={
              <>
                batter; about{" "}
                <Figure from={fit.origins.bowl_loss_g}>{`${grams(fit.bowl_loss_g ?? 0)} g`}</Figure>{" "}
                stays in the bowl
              </>
            }
            from={fit.origins.batter_g}
          >
            {`${grams(fit.batter_g ?? 0)} g`}
          </Value>
          {(fit.leftover_g ?? 0) >= 0.5 && (
            <Value words="left over" from={fit.origins.leftover_g}>
              {`${grams(fit.leftover_g ?? 0)} g`}
            </Value>
          )}
          <Button
            size="small"
            onClick={() => setWhy(!why)}
            aria-expanded={why}
            sx={{ minWidth: 44 }}
          >
            Why
          </Button>
        </Box>
      )}
      <Findings findings={fit.findings} />
      <Collapse in={why} unmountOnExit sx={{ flexBasis: "100%" }}>
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {fit.why.map((fact) => (
            <li key={fact}>{fact}</li>
          ))}
        </Box>
      </Collapse>
    </Box>
  );
});

function Value(props: { children: string; words: React.ReactNode; from?: Provenance | undefined }) {
  return (
    <Box>
      <Typography variant="quantity">
        <Figure from={props.from}>{props.children}</Figure>
      </Typography>
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {props.words}
      </Typography>
    </Box>
  );
}

function Findings({ findings }: { findings: readonly Finding[] }) {
  const [all, setAll] = useState(false);
  if (findings.length === 0) return null;
  const shown = all ? findings : findings.slice(0, SHOWN);
  return (
    <Box
      sx={{
        flex: "1 1 320px",
        minWidth: 0,
        display: "flex",
        maxHeight: { lg: 190 },
        overflowY: "auto",
      }}
      aria-live="polite"
      aria-label="What to know"
      role="region"
    >
      <Box sx={{ flex: 1, minWidth: 0 }}>
        {shown.map((finding) => (
          <FindingRow
            key={`${finding.code}-${String(finding.entry)}-${finding.subject}`}
            finding={finding}
          />
        ))}
      </Box>
      {findings.length > SHOWN && (
        <Button
          size="small"
          onClick={() => setAll(!all)}
          aria-expanded={all}
          sx={{ flexShrink: 0, alignSelf: "flex-end" }}
        >
          {all ? "Fewer" : `${String(findings.length - SHOWN)} more`}
        </Button>
      )}
    </Box>
  );
}
