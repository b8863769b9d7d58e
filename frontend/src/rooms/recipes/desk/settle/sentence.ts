import type { Card, Desk } from "../../../../api/client";
import { FLAMES } from "../../../../domain/dials";
import { length } from "../../../../domain/units";
import type { Units } from "../../../../domain/units";
import { minutesWords, panWords } from "../../paste/ReadFacts";
import { COOLING, OVEN_KINDS, SCALES, STARTS } from "../../words";

export type PartName =
  "batter" | "pans" | "oven" | "time" | "stands" | "makes" | "measures" | "rest";

/** A part of the card's own sentence: what it says, and whether the card says it. */
export interface SentencePart {
  name: PartName;
  words: string;
  /** Whether it is given; what is assumed or open is dotted. */
  given: boolean;
}

type Names = Record<"styles" | "standards" | "egg_grades", { key: string; name: string }[]>;

/** The card as one sentence, part by part; each opens its own fields. */
export function sentenceOf(
  card: Card,
  seen: Desk | null,
  names: Names,
  units: Units,
): SentencePart[] {
  return [
    batter(card, seen, names),
    pans(card, units),
    oven(card),
    {
      name: "time",
      words:
        card.stated_low_min === null
          ? "no time said"
          : minutesWords(card.stated_low_min, card.stated_high_min) +
            (card.strips ? " with strips" : ""),
      given: card.stated_low_min !== null,
    },
    stands(card),
    {
      name: "makes",
      words: makes(card.servings),
      given: card.servings !== "",
    },
    measures(card, names),
    rest(card),
  ];
}

function batter(card: Card, seen: Desk | null, names: Names): SentencePart {
  const style = named(names.styles, card.style) ?? seen?.style ?? "style not settled";
  const start = STARTS.find(([key]) => key === card.batter_start);
  const warm = card.batter_start === "start_room_c" || !start ? "" : `, ${lower(start[1])}`;
  return { name: "batter", words: upper(style) + warm, given: card.style !== null };
}

function pans(card: Card, units: Units): SentencePart {
  const words = card.pans.map((pan) => {
    const wall = pan.measures.wall_cm;
    return panWords(pan) + (wall === null ? "" : `, ${length(wall, units)} deep`);
  });
  return {
    name: "pans",
    words: words.length === 0 ? "no pan named" : `for ${words.join(" and ")}`,
    given: words.length > 0 && card.pans.every((pan) => pan.assumed === ""),
  };
}

function oven(card: Card): SentencePart {
  const kind = OVEN_KINDS.find(([key]) => key === card.oven_kind)?.[1];
  const heat = settingWords(card);
  const inside = kind
    ? card.oven_kind === "hob"
      ? ` in a ${lower(kind)}`
      : card.oven_kind === "steam"
        ? " in a steamer"
        : ` in a ${lower(kind)} oven`
    : "";
  return {
    name: "oven",
    words: heat ? heat + inside : `no heat said${inside}`,
    given: heat !== "",
  };
}

function settingWords({ setting }: Card): string {
  if (!setting) return "";
  if (setting.scale === "flame") {
    return FLAMES.find(([level]) => level === setting.value)?.[1] ?? "";
  }
  const sign = SCALES.find(([key]) => key === setting.scale)?.[1] ?? "";
  return setting.scale === "mark"
    ? `gas mark ${String(setting.value)}`
    : `${String(setting.value)} ${sign}`;
}

const THEN: Record<NonNullable<Card["cooling"]>, string> = {
  turn_out: "is turned out",
  turn_out_warm: "is turned out warm",
  cool_in_pan: "cools in the pan",
  hang: "hangs upside down",
};

function stands(card: Card): SentencePart {
  const then = card.cooling && COOLING.some(([key]) => key === card.cooling) && THEN[card.cooling];
  const words = [
    card.stand_min === null ? "" : `stands ${String(card.stand_min)} min`,
    then ? then : "",
  ].filter(Boolean);
  return {
    name: "stands",
    words: words.length === 0 ? "standing not said" : words.join(", then "),
    given: words.length > 0,
  };
}

/** "Serves 14" and "14 to 16" as a part of a sentence. */
function makes(servings: string): string {
  if (servings === "") return "how many it serves is not said";
  return /^[\d½¼¾]/.test(servings) ? `makes ${servings}` : lower(servings);
}

function measures(card: Card, names: Names): SentencePart {
  const cups = named(names.standards, card.measure_standard)?.split(",")[0];
  const eggs = named(names.egg_grades, card.egg_grade)?.split(",")[0];
  const words = [cups ? `${cups} cups` : "", eggs ? `${eggs} eggs` : ""].filter(Boolean);
  return {
    name: "measures",
    words: words.length === 0 ? "cups and eggs as the kitchen has them" : words.join(", "),
    given: cups !== undefined && eggs !== undefined,
  };
}

function rest(card: Card): SentencePart {
  const words = [
    card.tags.length > 0 ? card.tags.join(", ") : "",
    card.note ? "a note" : "",
    card.source_note ? "its source" : "",
  ].filter(Boolean);
  return {
    name: "rest",
    words: words.length === 0 ? "tags, note, source" : words.join(" · "),
    given: true,
  };
}

function named(rows: { key: string; name: string }[], key: string | null): string | undefined {
  return key === null ? undefined : rows.find((one) => one.key === key)?.name;
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
