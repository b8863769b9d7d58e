import type { Cover, Finish, FitChoices, Start } from "../../../../domain/fitChoices";
import { heat, type Units } from "../../../../domain/units";

export const COVERS: readonly (readonly [Cover, string])[] = [
  ["as_recipe", "As the recipe"],
  ["bare", "Never"],
  ["late", "From 0.6 of the time"],
  ["whole", "All the time"],
];

export const FINISHES: readonly (readonly [Finish, string])[] = [
  ["bright", "All thin bright metal"],
  ["heavy", "All heavy bright metal"],
  ["dark", "All dark metal"],
  ["glass", "All glass or ceramic"],
  ["silicone", "All silicone"],
  ["paper", "All paper moulds"],
];

/** How warm batter goes in, with about what that is. */
export const startsIn = (units: Units): readonly (readonly [Start, string])[] => [
  ["room", `Room-warm, about ${heat(21, units)}`],
  ["warm", `Finished hot, about ${heat(40, units)}`],
  ["chilled", `From the fridge, about ${heat(5, units)}`],
];

/** What is counted in beside the oven, in words; steam and flame know no strips and no cover. */
export function treatmentWords(choices: FitChoices, hasDial: boolean, units: Units): string {
  const named = <T extends string>(
    list: readonly (readonly [T, string])[],
    value: T | null,
    before: string,
  ) => {
    const words = list.find(([key]) => key === value)?.[1];
    return words === undefined ? "" : `${before}${words.charAt(0).toLowerCase()}${words.slice(1)}`;
  };
  return [
    choices.strips && hasDial ? "insulating strips" : "",
    choices.cover === "as_recipe" || !hasDial ? "" : named(COVERS, choices.cover, "top covered: "),
    named(FINISHES, choices.finish, "pans: "),
    named(startsIn(units), choices.start, "batter: "),
  ]
    .filter(Boolean)
    .join("; ");
}
