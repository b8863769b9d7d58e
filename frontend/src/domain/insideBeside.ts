import type { Fit, FitRequest } from "../api/client";

type Usual = "own" | "as_recipe" | "lower" | "strips" | "dark" | "glass" | "two";

/** What a bake is laid beside: another way, or a pan of the rack by its id. */
export type Beside = Usual | `pan ${number}`;

/** A pan of a fit that is cut open. */
export interface Asked {
  fit: FitRequest;
  entry: number;
  way: "chosen" | "own_pans" | "halved";
}

const WAYS: readonly { value: Usual; label: string }[] = [
  { value: "own", label: "the recipe’s own pan" },
  { value: "as_recipe", label: "the recipe’s heat" },
  { value: "lower", label: "a cooler oven" },
  { value: "strips", label: "strips" },
  { value: "dark", label: "a dark pan" },
  { value: "glass", label: "glass" },
  { value: "two", label: "two layers for one" },
];

/** Ways that are other than this bake, and that this oven and this pan can follow. */
export function besidesOf(fit: Fit, request: FitRequest, entry: number) {
  const pan = fit.pans[entry];
  return WAYS.filter(({ value }) => {
    switch (value) {
      case "own":
        return fit.source.pans.length > 0;
      case "strips":
        return fit.oven.has_dial && request.strips !== true;
      case "as_recipe":
      case "lower":
        return fit.oven.has_dial && request.temperature !== value;
      case "two":
        return pan?.kind === "flat" && pan.batter_g_each !== null;
      case "dark":
      case "glass":
        return request.finish !== value;
    }
  });
}

/** The same fit, baked another way. */
export function askedBeside(request: FitRequest, entry: number, beside: Beside): Asked {
  const same = { fit: request, entry, way: "chosen" as const };
  switch (beside) {
    case "own":
      return { fit: request, entry: 0, way: "own_pans" };
    case "strips":
      return { ...same, fit: { ...request, strips: true } };
    case "as_recipe":
    case "lower":
      return { ...same, fit: { ...request, temperature: beside, dial: null } };
    case "dark":
    case "glass":
      return { ...same, fit: { ...request, finish: beside } };
    case "two":
      return { ...same, way: "halved" };
    default: {
      const into = [{ pan: Number(beside.slice(4)), count: 1 }];
      return { fit: { ...request, into, mixes: [], shares: [] }, entry: 0, way: "chosen" as const };
    }
  }
}

/** Laid beside or taken away; of two, a third takes the place of the first. */
export function besideTapped(shown: readonly Beside[], tapped: Beside): Beside[] {
  if (shown.includes(tapped)) return shown.filter((one) => one !== tapped);
  return [...shown.slice(-1), tapped];
}
