import type { Card, OvenKind } from "../api/client";
import { FLAMES } from "./dials";

/** Levels of a flame to choose from, by their number as text. */
export const FLAME_LEVELS: readonly (readonly [string, string])[] = FLAMES.map(
  ([level, words]) => [String(level), words] as const,
);

/** The setting of a chosen level; none is the lowest flame. */
export function flameOf(level: string | null): Card["setting"] {
  return level === null ? null : { value: Number(level), scale: "flame" };
}

/** What a card loses when it is no longer for a pot on the hob: its flames. */
export function withoutFlames(card: Card, kind: OvenKind | null): Partial<Card> {
  if (kind === "hob") return {};
  const flame = (setting: Card["setting"]) => setting?.scale === "flame";
  return {
    setting: flame(card.setting) ? null : card.setting,
    phases: card.phases.map((one) => (flame(one.setting) ? { ...one, setting: null } : one)),
  };
}
