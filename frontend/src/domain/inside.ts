import type { Inside } from "../api/client";

/** A cell of the slice as it is drawn, in centimetres from the middle and from the base. */
export interface Cell {
  x: number;
  wide: number;
  foot: number;
  high: number;
  /** Which band of the crumb it is in. */
  band: number;
}

/** The bytes of an answer. */
export function bytesOf(base64: string): Uint8Array {
  return Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));
}

type Drawn = Pick<Inside, "rows" | "columns" | "edges_cm">;

/** The cells of one frame, row by row from the base. */
export function cellsAt(
  inside: Drawn,
  states: Uint8Array,
  tops: Uint8Array,
  frame: number,
): Cell[] {
  const { rows, columns, edges_cm: edges } = inside;
  const first = frame * rows * columns;
  const cells: Cell[] = [];
  for (let row = 0; row < rows; row += 1) {
    for (let column = 0; column < columns; column += 1) {
      const place = first + row * columns + column;
      const top = (tops[place] ?? 0) / 10;
      const foot = row === 0 ? 0 : (tops[place - columns] ?? 0) / 10;
      const x = edges[column] ?? 0;
      cells.push({
        x,
        wide: (edges[column + 1] ?? x) - x,
        foot,
        high: Math.max(0, top - foot),
        band: states[place] ?? 0,
      });
    }
  }
  return cells;
}

/** The frame nearest to a minute. */
export function frameAt(minutes: readonly number[], minute: number): number {
  let nearest = 0;
  minutes.forEach((one, place) => {
    if (Math.abs(one - minute) < Math.abs((minutes[nearest] ?? 0) - minute)) nearest = place;
  });
  return nearest;
}

/** Height that a drawing of a bake wants, cm: its wall, or the tallest it comes to, dome and all. */
export function roomCm(inside: Pick<Inside, "tops_mm" | "columns" | "wall_cm">): number {
  // The last row of the last frame.
  const last = bytesOf(inside.tops_mm).slice(-inside.columns);
  return Math.max(inside.wall_cm, Math.max(...last) / 10) + 0.6;
}
