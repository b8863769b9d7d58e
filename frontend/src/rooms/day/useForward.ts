import { useEffect, useRef, useState } from "react";

import type { Day, DayEvent, DayStep, Heard } from "../../api/client";
import { near, there } from "../../running/tones";

type Made = Omit<DayEvent, "id" | "ago_s">;

interface Asked {
  act: Day["act"];
  step: DayStep | null;
  heard: ReadonlyMap<number, Heard>;
  tick: (...made: Made[]) => void;
}

export interface Line {
  place: number;
  name: string;
  wanted: number | null;
  words: string;
  of: string;
  /** Grams from which to pour slowly, and between which it is right. */
  marks: DayStep["amounts"][number]["marks"];
}

/** What is weighed next in a step, the scale's reading for it, and what going on means. */
export function useForward({ act, step, heard, tick }: Asked) {
  const line = step ? lineOf(step) : null;
  const scale =
    [...heard.values()].find((one) => one.kind === "scale" && one.ago_s !== null) ?? null;
  const key = line && step ? `${step.key}:${String(line.place)}` : "";
  const silent = scale === null || (scale.ago_s ?? 99) > 5;
  const { zero, zeroing, fromHere } = useZero(key, silent ? null : scale);
  const g = scale?.g === null || scale === null || zero === null || silent ? null : scale.g - zero;
  useTones(key, g, line?.marks ?? null);
  const [auto, setAuto] = useState(false);
  // What is still flowing is taken when it has settled.
  const [settling, setSettling] = useState("");
  const send = () => {
    if (!step) return;
    if (line) {
      // What no scale has read is done by hand, and nothing is said of its grams.
      const amount = g !== null && g > 0.5 ? g : 0;
      const kind = step.pans.length > 0 ? "poured" : "weighed";
      const made: Made[] = [{ kind, step: step.key, place: line.place, amount }];
      // What is weighed for a component is still to be made.
      if (step.kind !== "make" && isLast(step, line))
        made.push({ kind: "done", step: step.key, place: 0, amount: 0 });
      tick(...made);
      return;
    }
    if (act === "look") return;
    tick({ kind: act === "put_in" ? "put_in" : "done", step: step.key, place: 0, amount: 0 });
  };
  const go = () => {
    if (line && g !== null && g > 0.5 && scale && !scale.stable) setSettling(key);
    else send();
  };
  const done = useRef("");
  useEffect(() => {
    if (g === null || !line || !scale?.stable || done.current === key) return;
    const { marks } = line;
    const right = auto && marks !== null && g >= marks.least_g && g <= marks.most_g;
    if (!right && settling !== key) return;
    done.current = key;
    send();
  });
  return {
    fromHere,
    zeroing,
    go,
    line,
    g,
    scale,
    silent,
    auto,
    setAuto,
    settling: settling !== "" && settling === key,
  };
}

export type Forward = ReturnType<typeof useForward>;

/** The first line of a step that is not weighed, or the first pan that is not filled. */
export function lineOf(step: DayStep): Line | null {
  const pan = step.pans.findIndex((one) => !one.filled);
  const found = step.pans[pan];
  if (found) {
    return {
      place: pan,
      name: `Fill ${found.pan}`,
      wanted: found.wanted_g,
      words: "",
      of: `pan ${String(pan + 1)} of ${String(step.pans.length)}`,
      marks: found.marks,
    };
  }
  if (step.kind !== "weigh" && step.kind !== "make") return null;
  const place = step.amounts.findIndex((one) => !one.weighed);
  const amount = step.amounts[place];
  if (!amount) return null;
  return {
    place,
    name: amount.name,
    wanted: amount.g,
    words: amount.words,
    of: `${amount.bowl ? `${amount.bowl}, ` : ""}${String(place + 1)} of ${String(step.amounts.length)}`,
    marks: amount.marks,
  };
}

function isLast(step: DayStep, line: Line): boolean {
  const left =
    step.pans.length > 0
      ? step.pans.filter((one) => !one.filled).length
      : step.amounts.filter((one) => !one.weighed).length;
  return left === 1 && lineOf(step)?.place === line.place;
}

/**
 * What lay on the scale when a line began: it is tared by that, without a touch. A bowl that came
 * on later is tared by hand. Zero is a steady reading, also by hand: one that still moves is none.
 */
function useZero(key: string, scale: Heard | null) {
  const [zero, setZero] = useState<{ key: string; g: number } | null>(null);
  const [asked, setAsked] = useState("");
  const steady = scale?.stable && scale.g !== null && !scale.overload ? scale.g : null;
  const zeroing = key !== "" && asked === key;
  if (key && steady !== null && (zeroing || zero?.key !== key)) {
    setZero({ key, g: steady });
    setAsked("");
  }
  return {
    zero: zero?.key === key && !zeroing ? zero.g : null,
    zeroing,
    fromHere: () => {
      setAsked(key);
    },
  };
}

function useTones(key: string, g: number | null, marks: Line["marks"]): void {
  const said = useRef({ key: "", near: false, there: false });
  useEffect(() => {
    if (g === null || marks === null) return;
    if (said.current.key !== key) said.current = { key, near: false, there: false };
    if (!said.current.there && g >= marks.least_g) {
      said.current.there = true;
      there();
    } else if (!said.current.near && g >= marks.near_g) {
      said.current.near = true;
      near();
    }
  }, [key, g, marks]);
}
