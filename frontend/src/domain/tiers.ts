import type { FinishedCake } from "../api/client";

/** How thick the board under an upper tier is drawn, cm. */
const TIER_BOARD_CM = 0.3;

/** A tier and how far its foot is above the lowest board, cm. */
export interface Tier {
  cake: FinishedCake;
  foot_cm: number;
}

/** Stacks from the widest upwards, each on a board on the one below. */
export function tiersOf(cakes: readonly FinishedCake[]): Tier[] {
  const stacks = cakes
    .filter((cake) => cake.kind === "stack")
    .sort((one, other) => other.width_cm - one.width_cm);
  let foot = 0;
  return stacks.map((cake) => {
    const tier = { cake, foot_cm: foot };
    foot += cake.height_cm + TIER_BOARD_CM;
    return tier;
  });
}
