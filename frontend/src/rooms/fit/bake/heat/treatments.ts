import type { Cover, Finish, FitChoices, Start } from "../../../../domain/fitChoices";

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

export const STARTS: readonly (readonly [Start, string])[] = [
  ["room", "Room-warm, about 21 °C"],
  ["warm", "Finished hot, about 40 °C"],
  ["chilled", "From the fridge, about 5 °C"],
];

/** What is counted in beside the oven, in words; steam and flame know no strips and no cover. */
export function treatmentWords(choices: FitChoices, hasDial: boolean): string {
  const named = <T extends string>(
    list: readonly (readonly [T, string])[],
    value: T | null,
    before: string,
  ) => {
    const words = list.find(([key]) => key === value)?.[1];
    return words === undefined ? "" : `${before}${words.toLowerCase().replace("°c", "°C")}`;
  };
  return [
    choices.strips && hasDial ? "insulating strips" : "",
    choices.cover === "as_recipe" || !hasDial ? "" : named(COVERS, choices.cover, "top covered: "),
    named(FINISHES, choices.finish, "pans: "),
    named(STARTS, choices.start, "batter: "),
  ]
    .filter(Boolean)
    .join("; ");
}
