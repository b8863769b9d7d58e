import { Box, Button, Typography } from "@mui/material";

import type { Aim, Card, Hole } from "../../../../api/client";
import { TickIcon } from "../../../../ui/icons";
import type { PartName } from "./sentence";

const AIMS: readonly (readonly [Aim, string])[] = [
  ["amounts", "other amounts"],
  ["other_pans", "other pans"],
  ["bake_time", "bake time"],
];

function title(missing: number, asked: number): string {
  if (missing > 0) return `${String(missing)} missing for`;
  return asked > 0 ? "But for what is asked, nothing is missing for" : "Nothing is missing for";
}

interface HolesProps {
  holes: readonly Hole[];
  card: Card;
  edit: (change: (card: Card) => Card) => void;
  aims: readonly Aim[];
  onAims: (aims: readonly Aim[]) => void;
  /** Open the part of the card where it is said. */
  onSay: (part: PartName) => void;
}

const SAID_IN: Readonly<Record<string, PartName>> = {
  measure_standard: "measures",
  egg_grade: "measures",
  style: "batter",
  pans: "pans",
  setting: "oven",
  oven_kind: "oven",
  stated_low_min: "time",
};

/** What the card does not say, for what it is wanted for; each with what would be assumed. */
export function Holes({ holes, card, edit, aims, onAims, onSay }: HolesProps) {
  const accept = (code: string, yes: boolean) =>
    edit((now) => ({
      ...now,
      assumed: yes ? [...now.assumed, code] : now.assumed.filter((one) => one !== code),
    }));
  const open = holes.filter((hole) => !hole.accepted);
  return (
    <Box component="section" aria-label="Holes">
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "center" }}>
        <Typography component="h2" sx={{ fontWeight: 700 }}>
          {title(open.length, card.doubts.length)}
        </Typography>
        {AIMS.map(([aim, words]) => {
          const on = aims.includes(aim);
          return (
            <Button
              key={aim}
              size="small"
              aria-pressed={on}
              variant={on ? "outlined" : "text"}
              onClick={() => onAims(on ? aims.filter((one) => one !== aim) : [...aims, aim])}
              startIcon={on ? <TickIcon /> : undefined}
              sx={{ minHeight: 44, py: 0 }}
            >
              {words}
            </Button>
          );
        })}
      </Box>
      {holes.map((hole) => (
        <Box
          key={hole.code}
          data-hole={hole.code}
          sx={{
            display: "flex",
            gap: 1,
            alignItems: "center",
            borderBottom: 1,
            borderColor: "divider",
            py: 0.25,
          }}
        >
          <Typography sx={{ flex: 1, lineHeight: 1.25 }}>
            <Box component="span" sx={{ fontWeight: hole.accepted ? 400 : 650 }}>
              {hole.text}
            </Box>{" "}
            {hole.assume && (
              <Box
                component="span"
                sx={{
                  color: "text.secondary",
                  ...(hole.accepted && {
                    textDecoration: "underline dotted",
                    textUnderlineOffset: "3px",
                  }),
                }}
              >
                {hole.accepted ? "Assumed: " : "Would be assumed: "}
                {hole.assume}.
              </Box>
            )}
          </Typography>
          <SayIt hole={hole} onSay={onSay} />
          {hole.assume && (
            <Button
              onClick={() => accept(hole.code, !hole.accepted)}
              aria-label={`${hole.accepted ? "Take back" : "Assume"}: ${hole.text}`}
            >
              {hole.accepted ? "Take back" : "Assume"}
            </Button>
          )}
        </Box>
      ))}
      {card.lines.length === 0 && (
        <Typography color="textSecondary">
          The card has no lines yet. Add them on the left, one a line.
        </Typography>
      )}
    </Box>
  );
}

/** Opens the fields of what is missing; nothing for what no field says. */
function SayIt({ hole, onSay }: { hole: Hole; onSay: (part: PartName) => void }) {
  const part = SAID_IN[hole.field];
  if (!part || hole.accepted) return null;
  return (
    <Button onClick={() => onSay(part)} aria-label={`Say it: ${hole.text}`}>
      Say it
    </Button>
  );
}
