import { Box, Checkbox, FormControlLabel } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import { LONGEST_TAG, MOST_TAGS } from "../../../../api/bounds";
import type { Card, Desk } from "../../../../api/client";
import { typedDecimal } from "../../../../domain/numbers";
import { FLAME_LEVELS, flameOf, withoutFlames } from "../../../../domain/flames";
import { PickField } from "../../../../ui/PickField";
import { TypedField } from "../../../../ui/TypedField";
import { choicesQuery } from "../../../../api/queries/recipes";
import { COOLING, OVEN_KINDS, SCALES, STARTS } from "../../words";
import { CardPans } from "./CardPans";
import { Phases } from "./Phases";
import { cutTo } from "../../../../domain/words";

interface SettleFormProps {
  card: Card;
  seen: Desk | null;
  edit: (change: (card: Card) => Card) => void;
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

/** Everything about a card beside its lines and steps. */
export function SettleForm({ card, seen, edit }: SettleFormProps) {
  const choices = useQuery(choicesQuery());
  const set = (part: Partial<Card>) => edit((now) => ({ ...now, ...part }));
  const named = (rows: { key: string; name: string }[] | undefined) =>
    (rows ?? []).map((one) => [one.key, one.name] as const);
  return (
    <Box
      component="section"
      aria-label="The card"
      sx={{
        display: "grid",
        gap: 1.25,
        gridTemplateColumns: "repeat(6, minmax(0, 1fr))",
        "& > *": { gridColumn: { xs: "span 3", sm: "span 2" } },
      }}
    >
      <Box sx={{ "&&": { gridColumn: "1 / -1" } }}>
        <CardPans card={card} edit={edit} />
      </Box>
      <PickField
        label="Style of the batter"
        value={card.style}
        none={seen ? `assumed: ${seen.style}` : "not settled"}
        options={named(choices.data?.styles)}
        onChange={(style) => set({ style })}
      />
      <PickField
        label="Cups and spoons"
        value={card.measure_standard}
        none="not said"
        options={named(choices.data?.standards)}
        onChange={(measure_standard) => set({ measure_standard })}
      />
      <PickField
        label="Eggs"
        value={card.egg_grade}
        none="not said"
        options={named(choices.data?.egg_grades)}
        onChange={(egg_grade) => set({ egg_grade })}
      />
      <OvenFields card={card} set={set} />
      <PickField
        label="Batter goes in"
        value={card.batter_start}
        options={STARTS}
        onChange={(batter_start) => batter_start && set({ batter_start })}
      />
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
      <FormControlLabel
        control={
          <Checkbox
            checked={card.strips}
            onChange={(event) => set({ strips: event.target.checked })}
          />
        }
        label="Its time is with strips round the pan"
      />
      <TypedField
        label="Makes"
        value={card.servings}
        {...words}
        onChange={(servings) => set({ servings: cutTo(servings ?? "", 80) })}
      />
      <TypedField
        label="Egg without shell, g"
        value={card.egg_g}
        {...number}
        onChange={(egg_g) => set({ egg_g })}
      />
      <TypedField
        label="Tags"
        value={card.tags}
        {...list}
        onChange={(tags) => set({ tags: tags ?? [] })}
      />
      <TypedField
        label="Done when"
        value={card.signs}
        {...list}
        onChange={(signs) => set({ signs: signs ?? [] })}
        sx={{ "&&": { gridColumn: "span 3" } }}
      />
      <TypedField
        label="Where it comes from"
        value={card.source_note}
        {...words}
        onChange={(source_note) => set({ source_note: cutTo(source_note ?? "", 300) })}
        sx={{ "&&": { gridColumn: "span 3" } }}
      />
      <TypedField
        label="Note"
        value={card.note}
        {...words}
        multiline
        onChange={(note) => set({ note: cutTo(note ?? "", 2000) })}
        sx={{ "&&": { gridColumn: "1 / -1" } }}
      />
      <Box sx={{ "&&": { gridColumn: "1 / -1" } }}>
        <Phases card={card} edit={edit} />
      </Box>
    </Box>
  );
}

interface OvenFieldsProps {
  card: Card;
  set: (part: Partial<Card>) => void;
}

/** The setting, the kind of oven and the time as the card says them. */
function OvenFields({ card, set }: OvenFieldsProps) {
  const time = (low: number | null, high: number | null) =>
    set({
      stated_low_min: low ?? high,
      stated_high_min: high === null || (low !== null && high < low) ? low : high,
    });
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
    </>
  );
}
