import type { KitchenCopy } from "../../../api/client";
import { HERE, yearWords } from "../../../domain/moments";

const WHY: Readonly<Record<string, string>> = {
  "on-demand": "made by hand",
  daily: "of the day",
  "before-update": "before an update",
  "before-restore": "before another was brought back",
  brought: "brought in",
};

/** When a copy was made, in words. */
export const copyWords = (copy: KitchenCopy) => yearWords(copy.made_at, HERE);

/** Why a copy was made. */
export const whyWords = (copy: KitchenCopy) => WHY[copy.why] ?? copy.why;

/** How large a file is. */
export const sizeWords = (bytes: number) =>
  bytes >= 1_000_000
    ? `${(bytes / 1_000_000).toFixed(1)} MB`
    : `${String(Math.max(1, Math.round(bytes / 1000)))} kB`;
