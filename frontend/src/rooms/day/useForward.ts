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
}

/** Where a scale is near an amount: a low tone; at it: a high one. */
const NEAR_SHARE = 0.9;

/** What is weighed next in a step, the scale's reading for it, and what going on means. */
export function useForward({ act, step, heard, tick }: Asked) {
  const line = step ? lineOf(step) : null;
  const scale =
    [...heard.values()].find((one) => one.kind === "scale" && one.ago_s !== null) ?? null;
  const key = line && step ? `${step.key}:${String(line.place)}` : "";
  const zero = useZero(key, scale);
  const silent = scale === null || (scale.ago_s ?? 99) > 5;
  const g = scale?.g === null || scale === null || zero === null || silent ? null : scale.g - zero;
  useTones(key, g, line?.wanted ?? null);
  const [auto, setAuto] = useState(false);
  // What is still flowing is taken when it has settled.
  const [settling, setSettling] = useState("");
  const send = () => {
    if (!step) return;
    if (line) {
      const amount = g !== null && g > 0.5 ? g : (line.wanted ?? 0);
      const kind = step.pans.length > 0 ? "poured" : "weighed";
      const made: Made[] = [
        { kind, step: step.key, place: line.place, amount: Math.max(0, amount) },
      ];
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
    const wanted = line.wanted ?? 0;
    const right = auto && wanted > 0 && g >= wanted - 0.5 && g <= wanted * 1.02 + 1;
    if (!right && settling !== key) return;
    done.current = key;
    send();
  });
  return {
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
  const pan = step.pans.findIndex((one) => one.poured_g === null);
  const found = step.pans[pan];
  if (found) {
    return {
      place: pan,
      name: `Fill ${found.pan}`,
      wanted: found.wanted_g,
      words: "",
      of: `pan ${String(pan + 1)} of ${String(step.pans.length)}`,
    };
  }
  if (step.kind !== "weigh" && step.kind !== "make") return null;
  const place = step.amounts.findIndex((one) => one.weighed_g === null);
  const amount = step.amounts[place];
  if (!amount) return null;
  return {
    place,
    name: amount.name,
    wanted: amount.g,
    words: amount.words,
    of: `${amount.bowl ? `${amount.bowl}, ` : ""}${String(place + 1)} of ${String(step.amounts.length)}`,
  };
}

function isLast(step: DayStep, line: Line): boolean {
  const left =
    step.pans.length > 0
      ? step.pans.filter((one) => one.poured_g === null).length
      : step.amounts.filter((one) => one.weighed_g === null).length;
  return left === 1 && lineOf(step)?.place === line.place;
}

/** What lay on the scale when a line began; the scale is tared by that, without a touch. */
function useZero(key: string, scale: Heard | null): number | null {
  const [zero, setZero] = useState<{ key: string; g: number } | null>(null);
  if (key && scale?.g !== null && scale?.stable && zero?.key !== key) {
    setZero({ key, g: scale.g });
    return scale.g;
  }
  return zero?.key === key ? zero.g : null;
}

function useTones(key: string, g: number | null, wanted: number | null): void {
  const said = useRef({ key: "", near: false, there: false });
  useEffect(() => {
    if (g === null || wanted === null) return;
    if (said.current.key !== key) said.current = { key, near: false, there: false };
    if (!said.current.there && g >= wanted - 0.5) {
      said.current.there = true;
      there();
    } else if (!said.current.near && g >= NEAR_SHARE * wanted) {
      said.current.near = true;
      near();
    }
  }, [key, g, wanted]);
}
