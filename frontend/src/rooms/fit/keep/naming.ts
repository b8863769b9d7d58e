import { LONGEST_FIT_NAME } from "../../../api/bounds";
import type { Fit } from "../../../api/client";
import { countOf } from "../../../domain/numbers";

/** A name for a fit: its recipe and its pans. */
export function suggestionFor(fit: Fit): string {
  const pans = fit.pans.map(countOf).join(", ");
  return (pans ? `${fit.recipe.title}: ${pans}` : fit.recipe.title).slice(0, LONGEST_FIT_NAME);
}
