import type { FinishedCake } from "../api/client";

/** A point of a half profile: how far up and how wide there, cm. */
export interface Point {
  up_cm: number;
  wide_cm: number;
}

const APART_CM = 0.2;
const MOST_CM = 150;
const MOST_POINTS = 24;

const tenth = (value: number) => Math.round(value * 10) / 10;
const between = (value: number, least: number, most: number) =>
  Math.min(Math.max(value, least), most);

/** Move a point; it stays between its neighbours, and the first one on the board. */
export function movePoint(
  points: readonly Point[],
  place: number,
  up: number,
  wide: number,
): Point[] {
  const below = points[place - 1];
  const above = points[place + 1];
  const least = below ? below.up_cm + APART_CM : 0;
  const most = place === 0 ? 0 : above ? above.up_cm - APART_CM : MOST_CM;
  return points.map((one, i) =>
    i === place
      ? { up_cm: tenth(between(up, least, most)), wide_cm: tenth(between(wide, 0, MOST_CM)) }
      : one,
  );
}

/** Put a point half way to the one above it; above the last one, a little higher. */
export function addPoint(points: readonly Point[], place: number): Point[] {
  const here = points[place];
  const above = points[place + 1];
  if (!here || points.length >= MOST_POINTS) return [...points];
  const next = above
    ? {
        up_cm: tenth((here.up_cm + above.up_cm) / 2),
        wide_cm: tenth((here.wide_cm + above.wide_cm) / 2),
      }
    : { up_cm: tenth(here.up_cm + 2), wide_cm: here.wide_cm };
  if (above && (next.up_cm - here.up_cm < APART_CM || above.up_cm - next.up_cm < APART_CM)) {
    return [...points];
  }
  return [...points.slice(0, place + 1), next, ...points.slice(place + 1)];
}

/** Take a point away; the one on the board stays. */
export function removePoint(points: readonly Point[], place: number): Point[] {
  return points.filter((_, i) => i !== place || place === 0);
}

/** A layer of the stack behind a profile: where its foot is, cm. */
export interface Behind {
  foot_cm: number;
  height_cm: number;
  wide_cm: number;
}

/** The layers of a stack, each where it stands. */
export function behind(layers: FinishedCake["layers"], filling: number): Behind[] {
  let foot = 0;
  return layers.map((layer) => {
    const one = { foot_cm: foot, height_cm: layer.height_cm, wide_cm: layer.width_cm };
    foot += layer.height_cm + filling;
    return one;
  });
}
