import { Box, Button, Collapse, Typography } from "@mui/material";
import { useState } from "react";

import type { FinishAnswer, FinishPart } from "../../../api/client";
import { grams, typedCount } from "../../../domain/numbers";
import { besideGrams, length, weight } from "../../../domain/units";
import type { Units } from "../../../domain/units";
import { Figure } from "../../../ui/Figure";
import { FindingRow } from "../../../ui/FindingRow";
import { PickList } from "../../../ui/PickList";
import { Stepper } from "../../../ui/Stepper";
import type { FinishingInHand } from "../../../finish/finishing";

/** What goes on the cake: card and this cake, for what it is enough, where it goes. */
export function FinishParts(props: {
  done: FinishAnswer;
  units: Units;
  finishing: FinishingInHand;
}) {
  const { done, units, finishing } = props;
  const said = new Set(["finish_short", "finish_over", "finish_unused"]);
  return (
    <>
      <Box sx={{ display: "flex", justifyContent: "space-between", mb: 0.5 }}>
        <Typography
          component="h2"
          sx={(t) => ({ fontWeight: 700, fontSize: "size.note", color: t.vars.palette.bench.rim })}
        >
          What goes on it
        </Typography>
        <Typography component="span" color="textSecondary" sx={{ fontSize: "size.tiny" }}>
          card → make for this cake
        </Typography>
      </Box>
      <Box aria-live="polite">
        {done.findings
          .filter((one) => !said.has(one.code))
          .map((finding) => (
            <FindingRow
              key={`${finding.code}-${String(finding.entry)}-${finding.subject}`}
              finding={finding}
            />
          ))}
        {done.components.map((part) => (
          <Part key={part.key} part={part} units={units} finishing={finishing} />
        ))}
        {done.components.length === 0 && (
          <Typography color="textSecondary">
            The card has nothing that goes on a cake. Choose a coat, a filling or a drip above, and
            a house formula stands in.
          </Typography>
        )}
        <Beside done={done} units={units} />
        {done.trim_g >= 1 && (
          <Box sx={{ display: "flex", gap: 1, alignItems: "baseline", mt: 1 }}>
            <Box sx={{ flex: 1 }}>
              <Typography sx={{ fontWeight: 700 }}>Cut off</Typography>
              <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
                {done.trim_words}
              </Typography>
            </Box>
            <Typography variant="quantity">{`${grams(done.trim_g)} g`}</Typography>
          </Box>
        )}
      </Box>
    </>
  );
}

/** What lies in each pan beside its batter, and what stands under tiers. */
function Beside({ done, units }: { done: FinishAnswer; units: Units }) {
  return (
    <>
      {done.in_pans.map((one) => (
        <Typography key={`${one.pan}-${String(one.first)}`} sx={{ mt: 1, lineHeight: 1.3 }}>
          <strong>
            {one.first ? "First into each " : "In each "}
            {one.pan}:
          </strong>{" "}
          {one.lines.map((line) => `${grams(line.g)} g ${line.name.toLowerCase()}`).join(", ")}
        </Typography>
      ))}
      {done.supports.map((one) => (
        <Typography key={one.tier} sx={{ mt: 1, lineHeight: 1.3 }}>
          <strong>
            In {one.tier}, under {one.above}:
          </strong>{" "}
          {one.count} supports cut to {length(one.height_cm, units)}, on a circle of{" "}
          {length(one.circle_cm, units)}; {one.above} on a board of {length(one.board_cm, units)},
          never wider than it. {weight(one.load_g, units)} stand on them.
        </Typography>
      ))}
      {done.stacked && (
        <Typography sx={{ mt: 1, lineHeight: 1.3 }}>
          <strong>Stacked:</strong> {length(done.stacked.height_cm, units)} high,{" "}
          {weight(done.stacked.mass_g, units)} without boards; a box at least{" "}
          {length(done.stacked.box_cm, units)} high. Tiers four hours cold before they are stacked.
        </Typography>
      )}
    </>
  );
}

function Part(props: { part: FinishPart; units: Units; finishing: FinishingInHand }) {
  const { part, units, finishing } = props;
  const [open, setOpen] = useState(false);
  const oz = besideGrams(part.make_g < 1 ? null : part.make_g, units);
  const onTop = part.key.startsWith("decoration");
  return (
    <Box
      component="section"
      aria-label={part.title}
      sx={{ borderBottom: 1, borderColor: "divider", py: 0.75 }}
    >
      <Box sx={{ display: "flex", alignItems: "baseline", gap: 1 }}>
        <Typography component="h3" sx={{ flex: 1, fontWeight: 700, minWidth: 0 }}>
          {part.title}
        </Typography>
        <Typography component="span" color="textSecondary" sx={{ fontSize: "size.note" }}>
          {part.was_g === null ? "–" : `${grams(part.was_g)} g`}
        </Typography>
        <Typography variant="quantity">
          <Figure from={part.origins.needed_g}>
            {part.uses.length === 0 ? "0 g" : amountOf(part)}
          </Figure>
        </Typography>
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", lineHeight: 1.3 }}>
        {[
          ...part.uses
            .filter((use) => use.grams >= 0.5)
            .map((use) => `${USES[use.key] ?? use.key} ${grams(use.grams)}`),
          ...(part.uses.length > 0 && part.spare_g >= 1 ? [`spare ${grams(part.spare_g)}`] : []),
          ...(oz ? [oz] : []),
        ].join(" · ")}
      </Typography>
      {part.factor !== null && part.now_g !== null && (
        <Box
          aria-hidden
          sx={(t) => ({ my: 0.5, height: 8, borderRadius: 4, bgcolor: t.vars.palette.bench.track })}
        >
          <Box
            sx={(t) => ({
              height: 8,
              borderRadius: 4,
              width: `${String(Math.min(100, 100 / (part.factor ?? 1)))}%`,
              bgcolor: part.short ? t.vars.palette.bench.caution : t.vars.palette.bench.butter,
            })}
          />
        </Box>
      )}
      <Box sx={{ display: "flex", alignItems: "center", gap: 1 }}>
        <Typography
          sx={{
            flex: 1,
            fontSize: "size.small",
            lineHeight: 1.3,
            fontWeight: part.short ? 700 : 400,
          }}
        >
          {part.enough_for}
        </Typography>
        <Button
          size="small"
          onClick={() => setOpen(!open)}
          aria-expanded={open}
          aria-label={`More about ${part.title}`}
          sx={{ minWidth: 44 }}
        >
          {open ? "Less" : "More"}
        </Button>
      </Box>
      {part.uses.length === 0 && <Places part={part} finishing={finishing} />}
      <Collapse in={open || part.house || onTop} unmountOnExit>
        <Typography sx={{ fontSize: "size.small" }}>{madeFrom(part)}</Typography>
      </Collapse>
      <Collapse in={open} unmountOnExit>
        <Box component="ul" sx={{ m: 0, pl: 2.5, fontSize: "size.small" }}>
          {part.uses.map((use) => (
            <li key={use.key}>
              {USES[use.key] ?? use.key}: {use.words}
            </li>
          ))}
          <li>Ready: {part.ready}.</li>
          <li>Use at {part.use_at}.</li>
          <li>Keeps {part.holds}.</li>
          {part.put_right && <li>{part.put_right}</li>}
        </Box>
        {onTop ? (
          <PickList
            label={`What ${part.title} goes by`}
            value={finishing.now.top_by ?? "area"}
            options={TOP_BY}
            onChange={(top_by) => finishing.change({ top_by })}
          />
        ) : (
          !part.house && (
            <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, mt: 0.5 }}>
              <Typography component="span" aria-hidden sx={{ fontSize: "size.small" }}>
                left once cooked or strained
              </Typography>
              <Stepper
                label={`Left of ${part.title} once it is made, per cent`}
                value={Math.round(part.kept_share * 100)}
                least={5}
                step={5}
                unit="%"
                read={typedCount}
                onChange={(kept) =>
                  finishing.change({
                    yields: { ...finishing.now.yields, [part.key]: Math.max(5, kept) / 100 },
                  })
                }
              />
            </Box>
          )
        )}
      </Collapse>
    </Box>
  );
}

/** Where a component that nothing takes could go; a tap puts it there. */
function Places({ part, finishing }: { part: FinishPart; finishing: FinishingInHand }) {
  const places = PLACES[part.key.split("-")[0] ?? ""] ?? [];
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
      {places.map(({ words, change }) => (
        <Button
          key={words}
          size="small"
          aria-label={`${part.title}: ${words.toLowerCase()}`}
          onClick={() => finishing.change(change)}
        >
          {words}
        </Button>
      ))}
    </Box>
  );
}

type Place = { words: string; change: Parameters<FinishingInHand["change"]>[0] };

const PLACES: Readonly<Record<string, readonly Place[]>> = {
  soak: [{ words: "Soak the layers", change: { soak: null } }],
  filling: [{ words: "Cut in two and filled", change: { split: 2 } }],
  frosting: [
    { words: "On top", change: { coat: "top" } },
    { words: "All over", change: { coat: "full" } },
  ],
  glaze: [
    { words: "Poured over", change: { glaze: true } },
    { words: "As a drip", change: { drip: true } },
  ],
  coating: [
    { words: "Poured over", change: { glaze: true } },
    { words: "As a drip", change: { drip: true } },
  ],
};

const TOP_BY = [
  { value: "area", label: "By the finished top" },
  { value: "edge", label: "By its edge" },
  { value: "sides", label: "By the sides it is pressed on" },
  { value: "all", label: "By top and sides" },
  { value: "card", label: "As the card, for each cake" },
] as const;

/** What is made: grams, or a count where it has no weight. */
function amountOf(part: FinishPart): string {
  const counted = part.made_from.filter((one) => one.count !== "");
  return part.make_g < 0.5 && counted.length > 0
    ? counted.map((one) => one.count).join(" + ")
    : `${grams(part.make_g)} g`;
}

function madeFrom(part: FinishPart): string {
  return part.made_from
    .map((one) =>
      one.count
        ? `${one.count} ${one.name.toLowerCase()}`
        : `${grams(one.g)} g ${one.name.toLowerCase()}`,
    )
    .join(", ");
}

const USES: Readonly<Record<string, string>> = {
  soak: "soak",
  filling: "joins",
  filling2: "joins",
  filling3: "joins",
  filling4: "joins",
  dam: "dam",
  crumb: "crumb coat",
  coat: "coat",
  glaze: "glaze",
  drip: "drip",
  border: "border",
  press: "sides",
  cover: "cover",
  swirl: "on top",
  dip: "coat of the pieces",
  dip2: "coat of the others",
  dip3: "coat of the others",
  hollow: "hollow",
  top: "on top",
};
