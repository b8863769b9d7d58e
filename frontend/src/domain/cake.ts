import type { FinishedCake, FinishPart } from "../api/client";

/** Where a cake is drawn: pixels per cm, its axis, and where its board's top lies. */
export interface Frame {
  scale: number;
  axis: number;
  foot: number;
}

/** A band of a cake in section, cm from the board: a layer or what lies on it. */
export interface Band {
  kind: "layer" | "filling";
  /** What a filling is on the list of uses. */
  use: string;
  from: number;
  to: number;
  wide: number;
}

/** The bands of a stack from the foot upwards. */
export function bandsOf(cake: FinishedCake): Band[] {
  const bands: Band[] = [];
  let at = 0;
  cake.layers.forEach((layer, place) => {
    const below = cake.layers[place - 1];
    if (below) {
      cake.fillings.forEach(({ thick_cm: thick }, nth) => {
        if (thick === 0) return;
        const wide = Math.min(below.width_cm, layer.width_cm);
        bands.push({ kind: "filling", use: fillingUse(nth), from: at, to: at + thick, wide });
        at += thick;
      });
    }
    bands.push({
      kind: "layer",
      use: "",
      from: at,
      to: at + layer.height_cm,
      wide: layer.width_cm,
    });
    at += layer.height_cm;
  });
  return bands;
}

/** The use of so many-th thing in a join, from 0. */
export function fillingUse(nth: number): string {
  return nth === 0 ? "filling" : `filling${String(nth + 1)}`;
}

/** A drip on the side that faces one, seen from the side: where, how long, how wide. */
export interface Drip {
  x: number;
  length: number;
  wide: number;
}

const UNEVEN = [0.72, 1, 0.58, 0.88, 0.66, 0.94, 0.8];

/** The drips of the right half, from the axis outwards, cm; no two neighbours alike. */
export function dripsOf(cake: FinishedCake): Drip[] {
  if (cake.drips === 0) return [];
  const radius = cake.width_cm / 2;
  const step = (2 * Math.PI) / cake.drips;
  const found: Drip[] = [];
  for (let i = 0; (i + 0.5) * step < Math.PI / 2 - 0.06; i += 1) {
    const angle = (i + 0.5) * step;
    found.push({
      x: radius * Math.sin(angle),
      length: cake.drip_cm * (UNEVEN[i % UNEVEN.length] ?? 1),
      wide: Math.max(0.3, 0.95 * Math.cos(angle)),
    });
  }
  return found;
}

/** Middles of the piped pieces that face one, the outermost first so that nearer ones cover them. */
export function borderOf(cake: FinishedCake): { x: number; share: number }[] {
  if (cake.border === 0) return [];
  const radius = Math.max(0, cake.width_cm / 2 - cake.border_cm / 2);
  const step = (2 * Math.PI) / cake.border;
  const found: { x: number; share: number }[] = [];
  for (let i = 0; i < cake.border; i += 1) {
    const angle = (i + 0.5) * step - Math.PI;
    if (Math.abs(angle) <= Math.PI / 2 + step / 2) {
      found.push({ x: radius * Math.sin(angle), share: Math.cos(angle) });
    }
  }
  return found.sort((one, other) => one.share - other.share);
}

/** Half the width of a carved profile at a height, cm. */
export function carvedHalf(marks: readonly (readonly number[])[], at: number): number {
  for (let i = 1; i < marks.length; i += 1) {
    const [lowZ = 0, lowD = 0] = marks[i - 1] ?? [];
    const [highZ = 0, highD = 0] = marks[i] ?? [];
    if (at <= highZ) {
      const share = highZ === lowZ ? 0 : (at - lowZ) / (highZ - lowZ);
      return (lowD + (highD - lowD) * share) / 2;
    }
  }
  return (marks.at(-1)?.[1] ?? 0) / 2;
}

/** The component that a part of the cake is made of. */
export function partFor(parts: readonly FinishPart[], use: string): FinishPart | null {
  return parts.find((part) => part.uses.some((one) => one.key === use)) ?? null;
}

/** Small cakes are drawn no larger, px per cm. */
export const SMALL_SCALE = 16;

/** Largest scale at which a cake with its board stands in the room, px per cm. */
export function cakeScale(cake: FinishedCake, roomPx: number, highPx: number): number {
  const wide = Math.max(cake.board_cm, cake.width_cm) + 1;
  const high = cake.height_cm + cake.border_cm * 0.8 + 1.5;
  return Math.max(4, Math.min(30, roomPx / wide, highPx / high));
}
