import type { LabelAsked } from "../../api/client";
import { choicesFrom, requestOf } from "../../domain/fitChoices";

/** What is said of a label beside its fit; lives in the address with it. */
export interface LabelChoices {
  cake: number;
  title: string;
  madeOn: string | null;
  pieces: number;
  weighed: number | null;
  days: number | null;
  lot: string;
  /** Order and place of the cake in it, where it is one of an order's. */
  ofOrder: string;
}

const NAMES = {
  cake: "l.cake",
  title: "l.title",
  madeOn: "l.made",
  pieces: "l.pieces",
  weighed: "l.g",
  days: "l.days",
  lot: "l.lot",
  ofOrder: "l.order",
} as const;

const number = (text: string | null) => {
  const value = text === null || text.trim() === "" ? NaN : Number(text);
  return Number.isFinite(value) ? value : null;
};

/** Read what is said of a label from an address. */
export function labelChoicesFrom(search: URLSearchParams): LabelChoices {
  const whole = (name: string, least: number) =>
    Math.max(least, Math.round(number(search.get(name)) ?? least));
  const made = search.get(NAMES.madeOn);
  return {
    cake: whole(NAMES.cake, 0),
    title: search.get(NAMES.title) ?? "",
    madeOn: made && /^\d{4}-\d{2}-\d{2}$/.test(made) ? made : null,
    pieces: whole(NAMES.pieces, 1),
    weighed: number(search.get(NAMES.weighed)),
    days: number(search.get(NAMES.days)),
    lot: search.get(NAMES.lot) ?? "",
    ofOrder: /^\d{1,9}\.\d{1,3}$/.exec(search.get(NAMES.ofOrder) ?? "")?.[0] ?? "",
  };
}

/** The address after a change; what is usual is left out of it. */
export function withLabelChoice(
  search: URLSearchParams,
  change: Partial<LabelChoices>,
): URLSearchParams {
  const next = new URLSearchParams(search);
  for (const [key, value] of Object.entries(change)) {
    const name = NAMES[key as keyof LabelChoices];
    const usual = value === null || value === "" || (key === "pieces" && value === 1);
    if (usual || (key === "cake" && value === 0)) next.delete(name);
    else next.set(name, String(value));
  }
  return next;
}

/** What the label is asked for, or null while no fit stands in the address. */
export function labelAsked(search: URLSearchParams): LabelAsked | null {
  const fit = requestOf(choicesFrom(search));
  if (fit === null) return null;
  const { cake, title, madeOn, pieces, weighed, days, lot, ofOrder } = labelChoicesFrom(search);
  return {
    fit,
    cake,
    title,
    made_on: madeOn,
    pieces,
    weighed_g: weighed,
    days,
    lot,
    of_order: ofOrder,
  };
}
