import { Box, Typography } from "@mui/material";
import { useId } from "react";

import type { FinishAnswer, FinishedCake, FinishPart } from "../api/client";
import type { Frame } from "../domain/cake";
import { tiersOf } from "../domain/tiers";
import { length, markLength, weight } from "../domain/units";
import type { Units } from "../domain/units";
import { useWidth } from "../ui/useWidth";
import { Board, cakeWords } from "./CakeDrawing";
import { CakeSheet } from "./CakeSheet";
import { Standing, Within } from "./StackDrawing";
import type { FinishWord } from "./finishing";

interface TiersDrawingProps {
  cakes: readonly FinishedCake[];
  supports: FinishAnswer["supports"];
  stacked: FinishAnswer["stacked"];
  parts: readonly FinishPart[];
  units: Units;
  onPart: (word: FinishWord) => void;
}

const HIGH_PX = 430;
const SIDE_PX = { left: 26, right: 150 };
const NARROW_PX = 480;
const NARROW_SIDE_PX = { left: 8, right: 112 };
const MOST_SCALE = 22;
const ABOVE_PX = 26;
const BELOW_PX = 24;
const SUPPORT_CM = 0.8;

/** Tiers on each other to one scale: cut open left with what carries them, as they stand right. */
export function TiersDrawing(props: TiersDrawingProps) {
  const { cakes, supports, stacked, parts, units, onPart } = props;
  const [room, width] = useWidth<HTMLDivElement>(620);
  const id = useId().replace(/[^a-z0-9]/gi, "");
  const tiers = tiersOf(cakes);
  const foot = tiers[0];
  if (!foot || !stacked) return null;
  const side = width < NARROW_PX ? NARROW_SIDE_PX : SIDE_PX;
  const tall = stacked.height_cm;
  const scale = Math.min(
    MOST_SCALE,
    HIGH_PX / tall,
    (width - side.left - side.right) / foot.cake.board_cm,
  );
  const axis = side.left + (width - side.left - side.right) / 2;
  const board = ABOVE_PX + tall * scale;
  const frameOf = (foot_cm: number): Frame => ({ scale, axis, foot: board - foot_cm * scale });
  const right = axis + (foot.cake.board_cm / 2) * scale + 10;
  return (
    <Box ref={room} sx={{ mt: 0.5 }}>
      <Typography component="h2" sx={{ fontWeight: 700, lineHeight: 1.2 }}>
        {String(tiers.length)} tiers
        <Typography component="span" color="textSecondary" sx={{ ml: 1, fontSize: "size.small" }}>
          {`left half cut open, right half as it stands · board ${length(foot.cake.board_cm, units)}`}
        </Typography>
      </Typography>
      <CakeSheet
        id={id}
        label={`${String(tiers.length)} tiers, ${length(tall, units)} high: ${tiers
          .map((one) => cakeWords(one.cake, units))
          .join("; on it ")}`}
        width={width}
        high={board + BELOW_PX}
      >
        <Board cake={foot.cake} frame={frameOf(0)} />
        {tiers.map((tier, place) => {
          const frame = frameOf(tier.foot_cm);
          const carries = supports.find((one) => one.tier === tier.cake.label);
          return (
            <g key={tier.cake.label}>
              {place > 0 && <TierBoard cake={tier.cake} frame={frame} />}
              <Within
                cake={tier.cake}
                parts={parts}
                frame={frame}
                onPart={onPart}
                clip={`tier-${id}-${String(place)}`}
              />
              <Standing cake={tier.cake} parts={parts} frame={frame} onPart={onPart} />
              {carries && <Supports carries={carries} frame={frame} />}
              <text className="name" x={right} y={frame.foot - tier.cake.height_cm * scale * 0.5}>
                {markLength(tier.cake.height_cm, units)}
              </text>
              <text x={right} y={frame.foot - tier.cake.height_cm * scale * 0.5 + 16} fontSize={12}>
                {tier.cake.label}
              </text>
            </g>
          );
        })}
        <line className="axis" x1={axis} x2={axis} y1={8} y2={board + 16} />
        <text className="size" x={right} y={18}>
          {markLength(tall, units)}
        </text>
        <text x={right} y={34} fontSize={12}>
          {weight(stacked.mass_g, units)}
        </text>
      </CakeSheet>
    </Box>
  );
}

function TierBoard({ cake, frame }: { cake: FinishedCake; frame: Frame }) {
  const wide = cake.board_cm * frame.scale;
  return (
    <rect
      className="board"
      x={frame.axis - wide / 2}
      y={frame.foot}
      width={wide}
      height={Math.max(3, 0.4 * frame.scale)}
      strokeWidth={1}
    />
  );
}

/** The supports that the cut half shows: those on the far half of their circle. */
function Supports(props: { carries: FinishAnswer["supports"][number]; frame: Frame }) {
  const { carries, frame } = props;
  const wide = SUPPORT_CM * frame.scale;
  const high = carries.height_cm * frame.scale;
  return (
    <g aria-hidden>
      {Array.from({ length: carries.count }, (_, i) => (2 * Math.PI * (i + 0.5)) / carries.count)
        .map((angle) => (Math.cos(angle) * carries.circle_cm) / 2)
        .filter((x, i, all) => x < -0.3 && all.findIndex((one) => Math.abs(one - x) < 0.2) === i)
        .map((x) => (
          <rect
            key={x}
            className="support"
            x={frame.axis + x * frame.scale - wide / 2}
            y={frame.foot - high}
            width={wide}
            height={high}
          />
        ))}
    </g>
  );
}
