import type { FitEntry, PanRule, Rule } from "../api/client";
import type { FitChoices } from "./fitChoices";

/** Rules that settle the whole batch: what no pan of its own rule takes goes into the others. */
const OF_ALL: readonly Rule[] = ["keep_batch", "servings", "eggs", "factor"];

/**
 * The choices by which one pan takes what the others leave: the batch is settled first, and every
 * other pan is filled by the rule that all went by.
 */
export function takingRest(now: FitChoices, place: number): Partial<FitChoices> {
  const settled = OF_ALL.includes(now.rule);
  const others = ruleOf(now);
  return {
    rule: settled ? now.rule : "keep_batch",
    into: now.into.map((entry, i): FitEntry =>
      i === place ? { ...entry, rule: null } : entry.rule ? entry : { ...entry, rule: others },
    ),
  };
}

/**
 * Whether a pan takes what others leave, since they go by rules of their own and it does not; could;
 * or has no others beside it.
 */
export function restAt(now: FitChoices, place: number): "takes" | "could" | "alone" {
  if (now.into.length < 2) return "alone";
  const takes =
    OF_ALL.includes(now.rule) &&
    !now.into[place]?.rule &&
    now.into.some((entry, i) => i !== place && entry.rule);
  return takes ? "takes" : "could";
}

function ruleOf(now: FitChoices): PanRule {
  if (now.rule === "depth" && now.depth !== null) return { kind: "depth", depth_cm: now.depth };
  if (now.rule === "height" && now.height !== null)
    return { kind: "height", height_cm: now.height };
  if (now.rule === "fill") return { kind: "fill" };
  return { kind: "same_depth" };
}
