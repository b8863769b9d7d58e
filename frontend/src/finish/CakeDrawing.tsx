import { Box, Typography } from "@mui/material";
import { useId } from "react";

import type { FinishedCake, FinishPart } from "../api/client";
import { cakeScale, carvedHalf, fillingUse, partFor, SMALL_SCALE } from "../domain/cake";
import type { Frame } from "../domain/cake";
import { grams } from "../domain/numbers";
import { length, markLength, weight } from "../domain/units";
import type { Units } from "../domain/units";
import { useWidth } from "../ui/useWidth";
import { CakeSheet } from "./CakeSheet";
import { PiecesDrawing, SmallDrawing } from "./OtherCakes";
import { Standing, Within } from "./StackDrawing";
import type { FinishWord } from "./finishing";

interface CakeDrawingProps {
  cake: FinishedCake;
  parts: readonly FinishPart[];
  units: Units;
  /** Whether it is the only one, and so as large as the room. */
  alone: boolean;
  /** Open the word of the line that a tapped part belongs to. */
  onPart: (word: FinishWord) => void;
}

const SIDE_PX = { left: 34, right: 112 };
const NARROW_SIDE_PX = { left: 26, right: 78 };
const NARROW_PX = 480;
const HIGH_PX = { alone: 330, several: 190 };
const LABEL_ROW_PX = 40;
const BELOW_PX = 34;
const PIECES_HIGH_PX = 220;

/** A finished cake, the left half cut open and the right half as it stands, to one scale. */
export function CakeDrawing({ cake, parts, units, alone, onPart }: CakeDrawingProps) {
  const [room, width] = useWidth<HTMLDivElement>(620);
  const id = useId().replace(/[^a-z0-9]/gi, "");
  const labels = labelsOf(cake, parts, alone);
  const side = width < NARROW_PX ? NARROW_SIDE_PX : SIDE_PX;
  const rows = cake.kind === "small" || cake.kind === "pieces" ? 0 : Math.ceil(labels.length / 2);
  const scale = cakeScale(
    cake,
    width - side.left - side.right,
    alone ? HIGH_PX.alone : HIGH_PX.several,
  );
  const top =
    cake.kind === "pieces"
      ? PIECES_HIGH_PX
      : cake.kind === "small"
        ? Math.min(scale, SMALL_SCALE) * (cake.height_cm + cake.width_cm * 0.65)
        : ((cake.carved?.marks.at(-1)?.[0] ?? cake.height_cm) +
            cake.dome_cm +
            (cake.border > 0 ? cake.border_cm * 0.75 : 0) +
            0.6) *
          scale;
  const high = rows * LABEL_ROW_PX + top + BELOW_PX;
  const frame: Frame = {
    scale,
    axis: side.left + (width - side.left - side.right) / 2,
    foot: rows * LABEL_ROW_PX + top,
  };
  const whole = cake.kind !== "small" && cake.kind !== "pieces";
  return (
    <Box ref={room} sx={{ mt: 0.5 }}>
      <Typography component="h2" sx={{ fontWeight: 700, lineHeight: 1.2 }}>
        {cake.count > 1 ? `${String(cake.count)} × ${cake.label}` : cake.label}
        <Typography component="span" color="textSecondary" sx={{ ml: 1, fontSize: "size.small" }}>
          {whole ? "left half cut open, right half as it stands · " : ""}
          {whole ? `board ${length(cake.board_cm, units)} · box at least ` : ""}
          {whole ? `${length(cake.box_cm, units)} high inside` : ""}
        </Typography>
      </Typography>
      <CakeSheet id={id} label={cakeWords(cake, units)} width={width} high={high}>
        {cake.kind === "small" && (
          <SmallDrawing cake={cake} frame={frame} topped={partFor(parts, "swirl") !== null} />
        )}
        {cake.kind === "pieces" && <PiecesDrawing cake={cake} frame={frame} width={width} />}
        {whole && (
          <>
            <Board cake={cake} frame={frame} />
            <Within cake={cake} parts={parts} frame={frame} onPart={onPart} clip={`cut-${id}`} />
            <Standing cake={cake} parts={parts} frame={frame} onPart={onPart} />
            <line
              className="axis"
              x1={frame.axis}
              x2={frame.axis}
              y1={frame.foot - top + 4}
              y2={frame.foot + 16}
            />
            <Ruler cake={cake} frame={frame} units={units} />
            <HeightMark cake={cake} frame={frame} units={units} />
            <Labels labels={labels} cake={cake} frame={frame} width={width} onPart={onPart} />
          </>
        )}
      </CakeSheet>
    </Box>
  );
}

interface Label {
  name: string;
  more: string;
  word: FinishWord;
  /** Where it points, cm from the axis and from the board. */
  at: readonly [number, number];
}

/** What is written beside the cake, each with the part it points to. */
function labelsOf(cake: FinishedCake, parts: readonly FinishPart[], alone: boolean): Label[] {
  const takes = (key: string) => {
    const part = partFor(parts, key);
    const found = part?.uses.find((one) => one.key === key);
    return part && found ? { part, found } : null;
  };
  const labels: Label[] = [];
  const add = (key: string, word: FinishWord, at: readonly [number, number]) => {
    const one = takes(key);
    if (one) {
      labels.push({
        // Of several cakes the amounts stand together, beside the drawing.
        name: alone ? `${one.part.title}, ${grams(one.found.grams)} g` : one.part.title,
        more: alone ? one.found.words : "",
        word,
        at,
      });
    }
  };
  const half = cake.width_cm / 2;
  const first = cake.layers[0]?.height_cm ?? 1;
  let at = first;
  cake.fillings.forEach(({ thick_cm: thick }, nth) => {
    add(fillingUse(nth), "filling", [-half * (0.45 - 0.15 * nth), at + thick / 2]);
    at += thick;
  });
  add(cake.border > 0 ? "border" : "glaze", cake.border > 0 ? "border" : "drip", [
    half * 0.6,
    cake.height_cm + (cake.border > 0 ? cake.border_cm * 0.3 : 0),
  ]);
  const carved = cake.carved;
  add(
    "coat",
    "coat",
    carved
      ? [carvedHalf(carved.marks, cake.height_cm * 0.4) * 0.8, cake.height_cm * 0.4]
      : [-half + cake.coat_side_cm / 2, cake.height_cm * 0.72],
  );
  add("drip", "drip", [half * 0.72, cake.height_cm - cake.drip_cm * 0.3]);
  return labels;
}

function Labels(props: {
  labels: readonly Label[];
  cake: FinishedCake;
  frame: Frame;
  width: number;
  onPart: (word: FinishWord) => void;
}) {
  const { labels, frame, width, onPart } = props;
  const narrow = width < 480;
  return (
    <>
      {labels.map((label, i) => {
        const left = i % 2 === 0;
        const x = left ? 14 : narrow ? width * 0.52 : frame.axis + 18;
        const y = 14 + Math.floor(i / 2) * LABEL_ROW_PX;
        const px = frame.axis + label.at[0] * frame.scale;
        const py = frame.foot - label.at[1] * frame.scale;
        const cut = narrow ? 22 : 44;
        // Each row has a rail of its own down the left of the words, so that no line crosses them.
        const rail = x - 4 - Math.floor(i / 2) * 4;
        const under = Math.ceil(labels.length / 2) * LABEL_ROW_PX;
        return (
          <g key={label.name} className="tap" aria-hidden onClick={() => onPart(label.word)}>
            <text className="name" x={x} y={y}>
              {short(label.name, cut)}
            </text>
            <text x={x} y={y + 16} fontSize={12}>
              {short(label.more, cut + 4)}
            </text>
            <polyline
              className="leader"
              points={`${String(rail)},${String(y - 8)} ${String(rail)},${String(under)} ${String(px)},${String(py)}`}
            />
            <circle className="mark" cx={px} cy={py} r={3} />
          </g>
        );
      })}
    </>
  );
}

function short(text: string, most: number): string {
  return text.length <= most ? text : `${text.slice(0, most - 1)}…`;
}

export function Board({ cake, frame }: { cake: FinishedCake; frame: Frame }) {
  const wide = cake.board_cm * frame.scale;
  return (
    <rect
      className="board"
      x={frame.axis - wide / 2}
      y={frame.foot}
      width={wide}
      height={11}
      rx={3}
      strokeWidth={1.5}
    />
  );
}

function Ruler({ cake, frame, units }: { cake: FinishedCake; frame: Frame; units: Units }) {
  const inch = units === "us";
  const step = inch ? 2.54 : 1;
  const named = inch ? 1 : 5;
  const x = frame.axis - (Math.max(cake.board_cm, cake.width_cm) / 2) * frame.scale - 16;
  return (
    <g aria-hidden>
      {Array.from({ length: Math.floor(cake.height_cm / step) + 1 }, (_, i) => (
        <g key={i}>
          <line
            className="rule"
            x1={x}
            x2={x + (i % named === 0 ? 10 : 6)}
            y1={frame.foot - i * step * frame.scale}
            y2={frame.foot - i * step * frame.scale}
          />
          {i % named === 0 && (
            <text
              x={x - 4}
              y={frame.foot - i * step * frame.scale + 4}
              textAnchor="end"
              fontSize={12}
            >
              {i}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

function HeightMark({ cake, frame, units }: { cake: FinishedCake; frame: Frame; units: Units }) {
  const x = frame.axis + (Math.max(cake.board_cm, cake.width_cm) / 2) * frame.scale + 12;
  const topY = frame.foot - (cake.carved?.marks.at(-1)?.[0] ?? cake.height_cm) * frame.scale;
  return (
    <g>
      <line className="leader" x1={x} x2={x} y1={topY} y2={frame.foot} />
      <path
        className="mark"
        d={`M${String(x)} ${String(topY)}l4 9h-8zM${String(x)} ${String(frame.foot)}l4 -9h-8z`}
      />
      <text className="size" x={x + 8} y={(topY + frame.foot) / 2}>
        {markLength(cake.carved?.marks.at(-1)?.[0] ?? cake.height_cm, units)}
      </text>
      <text x={x + 8} y={(topY + frame.foot) / 2 + 17} fontSize={12}>
        {weight(cake.mass_g, units)}
      </text>
    </g>
  );
}

/** What the drawing shows, in words. */
export function cakeWords(cake: FinishedCake, units: Units): string {
  const layers = cake.layers.length;
  return [
    `${cake.label}, finished`,
    layers > 1 ? `${String(layers)} layers` : "",
    cake.filling_cm > 0 && layers > 1 ? `filled ${length(cake.filling_cm, units)} thick` : "",
    cake.coat_top_cm > 0 ? "coated" : "",
    cake.glazed ? "glazed" : "",
    cake.drips > 0 ? `${String(cake.drips)} drips` : "",
    cake.border > 0 ? `${String(cake.border)} piped pieces along the edge` : "",
    `${length(cake.height_cm, units)} high`,
    weight(cake.mass_g, units),
  ]
    .filter(Boolean)
    .join(", ");
}
