import { Box, Button, Collapse, Typography } from "@mui/material";
import { useState } from "react";

import type { FinishAnswer, FinishPart } from "../../../api/client";
import { grams } from "../../../domain/numbers";
import { besideGrams } from "../../../domain/units";
import type { Units } from "../../../domain/units";
import { Figure } from "../../../ui/Figure";
import { FindingRow } from "../../../ui/FindingRow";

/** What goes on the cake: card and this cake, for what it is enough, where it goes. */
export function FinishParts({ done, units }: { done: FinishAnswer; units: Units }) {
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
          <Part key={part.key} part={part} units={units} />
        ))}
        {done.components.length === 0 && (
          <Typography color="textSecondary">
            The card has nothing that goes on a cake. Choose a coat, a filling or a drip above, and
            a house formula stands in.
          </Typography>
        )}
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

function Part({ part, units }: { part: FinishPart; units: Units }) {
  const [open, setOpen] = useState(false);
  const oz = besideGrams(part.make_g, units);
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
            {part.uses.length === 0 ? "0 g" : `${grams(part.make_g)} g`}
          </Figure>
        </Typography>
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", lineHeight: 1.3 }}>
        {[
          ...part.uses.map((use) => `${USES[use.key] ?? use.key} ${grams(use.grams)}`),
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
      <Collapse in={open || part.house} unmountOnExit>
        <Typography sx={{ fontSize: "size.small" }}>
          {part.made_from.map((one) => `${grams(one.g)} g ${one.name.toLowerCase()}`).join(", ")}
        </Typography>
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
      </Collapse>
    </Box>
  );
}

const USES: Readonly<Record<string, string>> = {
  soak: "soak",
  filling: "joins",
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
};
