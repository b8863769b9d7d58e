import type { Drawing, FitPan, SourcePan } from "../api/client";

/** Heights of what is in a pan, cm from its bottom; null where not known. */
export interface Levels {
  layer: number | null;
  stands: number | null;
  risen: number | null;
}

/** A trough of a pan's section: left and right wall at the bottom and at the rim, cm. */
interface Trough {
  baseLeft: number;
  baseRight: number;
  rimLeft: number;
  rimRight: number;
}

/** Number to two places for a path. */
const at = (value: number): string => value.toFixed(2);

/** The troughs of a section: one, or one on either side of the tube. */
function troughs(drawing: Drawing): Trough[] {
  const base = drawing.base_width_cm / 2;
  const rim = drawing.rim_width_cm / 2;
  if (drawing.tube_base_cm === 0) {
    return [{ baseLeft: -base, baseRight: base, rimLeft: -rim, rimRight: rim }];
  }
  const tubeBase = drawing.tube_base_cm / 2;
  const tubeRim = drawing.tube_rim_cm / 2;
  return [
    { baseLeft: -base, baseRight: -tubeBase, rimLeft: -rim, rimRight: -tubeRim },
    { baseLeft: tubeBase, baseRight: base, rimLeft: tubeRim, rimRight: rim },
  ];
}

/** Left and right end of a trough at a height; above the rim it goes straight up. */
function ends(trough: Trough, height: number, wall: number, ball: boolean): [number, number] {
  if (ball) {
    const reach = Math.min(Math.max(height, 0), wall);
    const half = Math.sqrt(Math.max(0, 2 * wall * reach - reach * reach));
    return [-half, half];
  }
  const share = Math.min(height / wall, 1);
  return [
    trough.baseLeft + (trough.rimLeft - trough.baseLeft) * share,
    trough.baseRight + (trough.rimRight - trough.baseRight) * share,
  ];
}

/** Path of the walls and the bottom, in cm with y upwards as negative. */
export function wallPath(drawing: Drawing): string {
  const wall = drawing.wall_cm;
  if (drawing.ball) {
    return `M${at(-wall)} ${at(-wall)}A${at(wall)} ${at(wall)} 0 0 0 ${at(wall)} ${at(-wall)}`;
  }
  return troughs(drawing)
    .map(
      (t) =>
        `M${at(t.rimLeft)} ${at(-wall)}L${at(t.baseLeft)} 0L${at(t.baseRight)} 0` +
        `L${at(t.rimRight)} ${at(-wall)}`,
    )
    .join("");
}

/** Path of a filling between two heights. */
export function fillPath(drawing: Drawing, from: number, to: number): string {
  const wall = drawing.wall_cm;
  if (drawing.ball) return ballFill(drawing, from, to);
  return troughs(drawing)
    .map((t) => {
      const [lowLeft, lowRight] = ends(t, from, wall, false);
      const [highLeft, highRight] = ends(t, to, wall, false);
      const rim = to > wall && from < wall ? ends(t, wall, wall, false) : null;
      const left = rim ? `L${at(rim[0])} ${at(-wall)}` : "";
      const right = rim ? `L${at(rim[1])} ${at(-wall)}` : "";
      return (
        `M${at(lowLeft)} ${at(-from)}${left}L${at(highLeft)} ${at(-to)}` +
        `L${at(highRight)} ${at(-to)}${right}L${at(lowRight)} ${at(-from)}Z`
      );
    })
    .join("");
}

const BALL_STEPS = 24;

/** Path of a filling of half a ball, in short pieces along its wall. */
function ballFill(drawing: Drawing, from: number, to: number): string {
  const [trough] = troughs(drawing);
  if (!trough) return "";
  const heights = Array.from(
    { length: BALL_STEPS + 1 },
    (_, step) => from + ((to - from) * step) / BALL_STEPS,
  );
  const walls = heights.map((height) => ends(trough, height, drawing.wall_cm, true));
  const left = heights.map((height, i) => `${at(walls[i]?.[0] ?? 0)} ${at(-height)}`);
  const right = heights.map((height, i) => `${at(walls[i]?.[1] ?? 0)} ${at(-height)}`);
  return `M${left.join("L")}L${right.reverse().join("L")}Z`;
}

/** Path of the risen top: a low dome, a dome over the rim, or a cap where it runs over. */
export function risenPath(drawing: Drawing, risen: number, spills: boolean): string {
  const wall = drawing.wall_cm;
  return troughs(drawing)
    .map((t) => {
      const [left, right] = ends(t, risen, wall, drawing.ball);
      if (!spills && risen > wall) {
        const middle = `${at((left + right) / 2)} ${at(-(2 * risen - wall))}`;
        return `M${at(left)} ${at(-wall)}Q${middle} ${at(right)} ${at(-wall)}`;
      }
      if (!spills) {
        const dome = Math.min(0.6, (right - left) * 0.05);
        return (
          `M${at(left)} ${at(-(risen - dome / 2))}` +
          `Q${at((left + right) / 2)} ${at(-(risen + dome))} ${at(right)} ${at(-(risen - dome / 2))}`
        );
      }
      const lip = 0.9;
      const top = wall + (risen - wall) * 1.6;
      return (
        `M${at(left - lip)} ${at(-(wall - 1.2))}Q${at(left - lip * 1.3)} ${at(-wall - 0.3)} ` +
        `${at(left + 0.4)} ${at(-(wall + 0.4))}Q${at((left + right) / 2)} ${at(-(top + 0.4))} ` +
        `${at(right - 0.4)} ${at(-(wall + 0.4))}Q${at(right + lip * 1.3)} ${at(-wall - 0.3)} ` +
        `${at(right + lip)} ${at(-(wall - 1.2))}`
      );
    })
    .join("");
}

/** Room a section needs, cm: the pan, what rises over its rim, the ghost behind it. */
export interface SectionSize {
  wide: number;
  high: number;
}

/** Size of a section with its ghost. */
export function sectionSize(drawing: Drawing, levels: Levels, ghost: Drawing | null): SectionSize {
  const risen = levels.risen ?? 0;
  const over =
    risen > drawing.wall_cm ? drawing.wall_cm + (risen - drawing.wall_cm) * 1.6 + 0.5 : 0;
  return {
    wide: Math.max(drawing.rim_width_cm, ghost?.rim_width_cm ?? 0),
    high: Math.max(drawing.wall_cm, over, ghost?.wall_cm ?? 0),
  };
}

/** The recipe's pan that stands behind a chosen one; none where a well would stand in a pan. */
export function ghostFor(pan: FitPan, source: readonly SourcePan[]): SourcePan | null {
  const own = source.find((one) => one.kind === pan.kind) ?? source[0];
  if (!own || (own.kind === "wells") !== (pan.kind === "wells")) return null;
  return own;
}
