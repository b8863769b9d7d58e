import { Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { Card, Desk } from "../../../../api/client";
import { lastTimeQuery } from "../../../../api/queries/logbook";
import { Figure } from "../../../../ui/Figure";
import { PickField } from "../../../../ui/PickField";
import { FindingRow } from "../../../../ui/FindingRow";
import { RatioBar } from "./RatioBar";

interface CheckupPanelProps {
  /** The recipe, once it is kept: what its last bake left to say is said here. */
  recipe: number | null;
  card: Card;
  seen: Desk | null;
  variant: number | null;
  onVariant: (variant: number | null) => void;
}

/** Ratios beside the usual range, baker's percentages, and what contradicts itself. */
export function CheckupPanel({ recipe, card, seen, variant, onVariant }: CheckupPanelProps) {
  const last = useQuery(lastTimeQuery(recipe));
  if (!seen) return null;
  const percents = seen.lines.filter((line) => line.percent !== null);
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      {card.variants.length > 0 && (
        <PickField
          label="Looked at"
          value={variant === null ? null : String(variant)}
          none="as written"
          options={card.variants.map((one) => [String(one.key), one.name] as const)}
          onChange={(key) => onVariant(key === null ? null : Number(key))}
          sx={{ maxWidth: 260 }}
        />
      )}
      {last.data && last.data.length > 0 && (
        <Box component="section" aria-label="The last time">
          {last.data.map((finding) => (
            <FindingRow key={finding.code} finding={finding} />
          ))}
        </Box>
      )}
      <Box component="section" aria-label="What to check">
        {seen.findings.length === 0 ? (
          <Typography sx={{ fontWeight: 650 }}>
            Nothing stands out, and nothing is said twice and differently.
          </Typography>
        ) : (
          seen.findings.map((finding, place) => <FindingRow key={place} finding={finding} />)
        )}
      </Box>
      {seen.ratios.length > 0 && (
        <Box component="section" aria-label="Ratios">
          <Typography component="h2" sx={{ fontWeight: 700 }}>
            Per 100 g of flour, starch, cocoa and ground nuts, beside what is usual for {seen.style}
          </Typography>
          {seen.ratios.map((ratio) => (
            <RatioBar key={ratio.key} ratio={ratio} />
          ))}
          <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 0.5 }}>
            The usual ranges are kitchen practice. A number outside is worth a look, not wrong.
          </Typography>
        </Box>
      )}
      {percents.length > 0 && (
        <Box component="section" aria-label="Baker's percentages">
          <Typography component="h2" sx={{ fontWeight: 700 }}>
            Baker&apos;s percentages
          </Typography>
          <Box
            component="ul"
            sx={{ listStyle: "none", m: 0, p: 0, columns: { sm: 2 }, columnGap: 4 }}
          >
            {percents.map((line) => (
              <Box
                component="li"
                key={line.key}
                sx={{
                  display: "flex",
                  gap: 1,
                  breakInside: "avoid",
                  borderBottom: 1,
                  borderColor: "divider",
                  py: 0.4,
                  lineHeight: 1.2,
                }}
              >
                <Box component="span" sx={{ flex: 1 }}>
                  {line.label}
                </Box>
                <strong>
                  <Figure>
                    {`${(line.percent ?? 0) < 10 ? (line.percent ?? 0).toFixed(1) : (line.percent ?? 0).toFixed(0)} %`}
                  </Figure>
                </strong>
              </Box>
            ))}
          </Box>
        </Box>
      )}
      {seen.ratios.length === 0 && seen.findings.length === 0 && (
        <Typography color="textSecondary">
          Percentages want a weighed flour in the batter; there is none yet.
        </Typography>
      )}
    </Box>
  );
}
