import { Box, Checkbox, FormControlLabel, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Fragment } from "react";

import { LONGEST_TAG, MOST_TAGS } from "../../../../api/bounds";
import type { Card, Desk } from "../../../../api/client";
import { typedDecimal } from "../../../../domain/numbers";
import { FLAME_LEVELS, flameOf, withoutFlames } from "../../../../domain/flames";
import { PickField } from "../../../../ui/PickField";
import { TypedField } from "../../../../ui/TypedField";
import { useUnits } from "../../../../ui/useUnits";
import { choicesQuery } from "../../../../api/queries/recipes";
import { COOLING, OVEN_KINDS, SCALES, STARTS } from "../../words";
import { CardPans } from "./CardPans";
import { Phases } from "./Phases";
import { sentenceOf } from "./sentence";
import type { PartName, SentencePart } from "./sentence";
import { cutTo } from "../../../../domain/words";

interface SettleFormProps {
  card: Card;
  seen: Desk | null;
  edit: (change: (card: Card) => Card) => void;
  /** Which part is open. */
  open: PartName | null;
  onOpen: (part: PartName | null) => void;
}

const words = { read: (text: string) => text.trim(), write: (text: string) => text, hint: "" };
const number = {
  read: typedDecimal,
  write: (value: number) => String(value),
  hint: "Type a number.",
};
const list = {
  read: (text: string) =>
    [
      ...new Set(
        text
          .split(/[,;]/)
          .map((one) => cutTo(one.trim(), LONGEST_TAG))
          .filter(Boolean),
      ),
    ].slice(0, MOST_TAGS),
  write: (values: string[]) => values.join(", "),
  hint: "",
};

type SetCard = (part: Partial<Card>) => void;

/** The card as its own sentence; each part opens its fields in place, one at a time. */
export function SettleForm({ card, seen, edit, open, onOpen }: SettleFormProps) {
  const choices = useQuery(choicesQuery()).data;
  const units = useUnits();
  const names = {
    styles: choices?.styles ?? [],
    standards: choices?.standards ?? [],
    egg_grades: choices?.egg_grades ?? [],
  };
  const set: SetCard = (part) => edit((now) => ({ ...now, ...part }));
  const parts = sentenceOf(card, seen, names, units);
  return (
    <Box component="section" aria-label="The card">
      <Typography component="div" sx={{ fontSize: "size.read", lineHeight: 1.9 }}>
        {parts.map((part, place) => (
          <Fragment key={part.name}>
            {place > 0 && " · "}
            <Phrase
              part={part}
              open={open === part.name}
              onToggle={() => onOpen(open === part.name ? null : part.name)}
            />
          </Fragment>
        ))}
      </Typography>
      {open && (
        <Box
          role="group"
          aria-label={FIELDS_OF[open]}
          id={`card-${open}`}
          sx={(t) => ({
            mt: 0.75,
            pt: 1.25,
            borderTop: `2px solid ${t.vars.palette.bench.butter}`,
            display: "grid",
            gap: 1.25,
            gridTemplateColumns: "repeat(6, minmax(0, 1fr))",
            "& > *": { gridColumn: { xs: "span 6", sm: "span 2" } },
          })}
        >
          <Fields part={open} card={card} seen={seen} names={names} set={set} edit={edit} />
        </Box>
      )}
    </Box>
  );
}

const FIELDS_OF: Record<PartName, string> = {
  batter: "The batter",
  pans: "Its pans",
  oven: "The oven",
  time: "How long it bakes",
  stands: "Standing and turning out",
  makes: "What it makes",
  measures: "What it is measured with",
  rest: "Tags, note and source",
};

interface PhraseProps {
  part: SentencePart;
  open: boolean;
  onToggle: () => void;
}

/** A part of the sentence: underlined where the card says it, dotted where it does not. */
function Phrase({ part, open, onToggle }: PhraseProps) {
  return (
    <Box
      component="button"
      type="button"
      aria-expanded={open}
      aria-label={`${FIELDS_OF[part.name]}: ${part.words}`}
      onClick={onToggle}
      sx={(t) => ({
        font: "inherit",
        fontWeight: part.given ? 650 : 400,
        color: "inherit",
        bgcolor: open ? t.vars.palette.bench.butterTint : "transparent",
        border: 0,
        borderRadius: 1,
        p: 0,
        px: 0.25,
        minHeight: 28,
        cursor: "pointer",
        textAlign: "left",
        textDecoration: `underline ${part.given ? "solid" : "dotted"}`,
        textDecorationColor: t.vars.palette.bench.butter,
        textDecorationThickness: "2px",
        textUnderlineOffset: "4px",
        "&:focus-visible": { outline: `3px solid ${t.vars.palette.bench.rim}` },
      })}
    >
      {part.words}
    </Box>
  );
}

interface FieldsProps extends Pick<SettleFormProps, "card" | "seen" | "edit"> {
  part: PartName;
  names: Record<"styles" | "standards" | "egg_grades", { key: string; name: string }[]>;
  set: SetCard;
}

const WHOLE_ROW = { "&&": { gridColumn: "1 / -1" } } as const;

function Fields({ part, card, seen, names, set, edit }: FieldsProps) {
  switch (part) {
    case "pans":
      return (
        <Box sx={WHOLE_ROW}>
          <CardPans card={card} edit={edit} />
        </Box>
      );
    case "batter":
      return (
        <>
          <PickField
            label="Style of the batter"
            value={card.style}
            none={seen ? `assumed: ${seen.style}` : "not settled"}
            options={keyed(names.styles)}
            onChange={(style) => set({ style })}
          />
          <PickField
            label="Batter goes in"
            value={card.batter_start}
            options={STARTS}
            onChange={(batter_start) => batter_start && set({ batter_start })}
          />
        </>
      );
    case "oven":
      return <OvenFields card={card} set={set} />;
    case "time":
      return (
        <>
          <TimeFields card={card} set={set} />
          <FormControlLabel
            control={
              <Checkbox
                checked={card.strips}
                onChange={(event) => set({ strips: event.target.checked })}
              />
            }
            label="With strips round the pan"
          />
          <TypedField
            label="Done when"
            value={card.signs}
            {...list}
            onChange={(signs) => set({ signs: signs ?? [] })}
            sx={WHOLE_ROW}
          />
          <Box sx={WHOLE_ROW}>
            <Phases card={card} edit={edit} />
          </Box>
        </>
      );
    case "stands":
      return (
        <>
          <TypedField
            label="Stands in the pan, min"
            value={card.stand_min}
            {...number}
            onChange={(stand_min) => set({ stand_min })}
          />
          <PickField
            label="Then"
            value={card.cooling}
            none="not said"
            options={COOLING}
            onChange={(cooling) => set({ cooling })}
          />
        </>
      );
    case "makes":
      return (
        <TypedField
          label="Makes"
          value={card.servings}
          {...words}
          onChange={(servings) => set({ servings: cutTo(servings ?? "", 80) })}
        />
      );
    case "measures":
      return (
        <>
          <PickField
            label="Cups and spoons"
            value={card.measure_standard}
            none="not said"
            options={keyed(names.standards)}
            onChange={(measure_standard) => set({ measure_standard })}
          />
          <PickField
            label="Eggs"
            value={card.egg_grade}
            none="not said"
            options={keyed(names.egg_grades)}
            onChange={(egg_grade) => set({ egg_grade })}
          />
          <TypedField
            label="Egg without shell, g"
            value={card.egg_g}
            {...number}
            onChange={(egg_g) => set({ egg_g })}
          />
        </>
      );
    case "rest":
      return <RestFields card={card} set={set} />;
  }
}

function RestFields({ card, set }: OvenFieldsProps) {
  return (
    <>
      <TypedField
        label="Tags"
        value={card.tags}
        {...list}
        onChange={(tags) => set({ tags: tags ?? [] })}
        sx={{ "&&": { gridColumn: { xs: "span 6", sm: "span 3" } } }}
      />
      <TypedField
        label="Where it comes from"
        value={card.source_note}
        {...words}
        onChange={(source_note) => set({ source_note: cutTo(source_note ?? "", 300) })}
        sx={{ "&&": { gridColumn: { xs: "span 6", sm: "span 3" } } }}
      />
      <TypedField
        label="Note"
        value={card.note}
        {...words}
        multiline
        onChange={(note) => set({ note: cutTo(note ?? "", 2000) })}
        sx={WHOLE_ROW}
      />
    </>
  );
}

const keyed = (rows: { key: string; name: string }[]) =>
  rows.map((one) => [one.key, one.name] as const);

interface OvenFieldsProps {
  card: Card;
  set: SetCard;
}

/** The setting and the kind of oven as the card says them. */
function OvenFields({ card, set }: OvenFieldsProps) {
  const { setting } = card;
  return (
    <>
      {card.oven_kind === "hob" ? (
        <PickField
          label="Flame"
          value={setting?.scale === "flame" ? String(setting.value) : null}
          none="the lowest"
          options={FLAME_LEVELS}
          onChange={(level) => set({ setting: flameOf(level) })}
        />
      ) : (
        <Box sx={{ display: "flex", gap: 0.75 }}>
          <TypedField
            label="Oven"
            value={setting?.value ?? null}
            {...number}
            onChange={(value) =>
              set({ setting: value === null ? null : { value, scale: setting?.scale ?? "C" } })
            }
            sx={{ flex: 1 }}
          />
          <PickField
            label="Scale"
            value={setting?.scale ?? "C"}
            options={SCALES}
            onChange={(scale) => scale && setting && set({ setting: { ...setting, scale } })}
            sx={{ width: 88 }}
          />
        </Box>
      )}
      <PickField
        label="Kind of oven"
        value={card.oven_kind}
        none="not said"
        options={OVEN_KINDS}
        onChange={(oven_kind) => set({ oven_kind, ...withoutFlames(card, oven_kind) })}
      />
    </>
  );
}

/** How long the card says it bakes: one time, or from one to another. */
function TimeFields({ card, set }: OvenFieldsProps) {
  const time = (low: number | null, high: number | null) =>
    set({
      stated_low_min: low ?? high,
      stated_high_min: high === null || (low !== null && high < low) ? low : high,
    });
  return (
    <Box sx={{ display: "flex", gap: 0.75 }}>
      <TypedField
        label="Bakes, min"
        value={card.stated_low_min}
        {...number}
        onChange={(low) =>
          time(low, card.stated_high_min === card.stated_low_min ? low : card.stated_high_min)
        }
      />
      <TypedField
        label="to, min"
        value={card.stated_high_min === card.stated_low_min ? null : card.stated_high_min}
        {...number}
        onChange={(high) => time(card.stated_low_min, high)}
      />
    </Box>
  );
}
