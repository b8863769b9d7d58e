import type { FinishedCake } from "../api/client";
import { SMALL_SCALE } from "../domain/cake";
import type { Frame } from "../domain/cake";
import { Rosette } from "./StackDrawing";

const MOST_SMALL = 4;

/** Small cakes in their cases with what is on them; the rest are counted. */
export function SmallDrawing(props: { cake: FinishedCake; frame: Frame; topped: boolean }) {
  const { cake, frame, topped } = props;
  const { foot } = frame;
  const scale = Math.min(frame.scale, SMALL_SCALE);
  const wide = cake.width_cm * scale;
  const high = cake.height_cm * scale;
  const shown = Math.min(cake.count, MOST_SMALL);
  const pitch = wide + 14;
  const start = frame.axis - ((shown - 1) * pitch) / 2 - (cake.count > shown ? 40 : 0);
  return (
    <g aria-hidden>
      {Array.from({ length: shown }, (_, i) => {
        const x = start + i * pitch;
        const cut = i === 0;
        return (
          <g key={i}>
            <path
              className={cut ? "cut" : "coat"}
              d={`M${String(x - wide * 0.36)} ${String(foot)}H${String(x + wide * 0.36)}L${String(x + wide / 2)} ${String(foot - high * 0.82)}Q${String(x)} ${String(foot - high * 1.25)} ${String(x - wide / 2)} ${String(foot - high * 0.82)}Z`}
            />
            {!cut &&
              [-0.3, -0.15, 0, 0.15, 0.3].map((share) => (
                <line
                  key={share}
                  className="shade"
                  x1={x + wide * share}
                  x2={x + wide * share * 1.3}
                  y1={foot}
                  y2={foot - high * 0.8}
                />
              ))}
            <path
              className="edge"
              d={`M${String(x - wide * 0.36)} ${String(foot)}H${String(x + wide * 0.36)}L${String(x + wide / 2)} ${String(foot - high * 0.82)}Q${String(x)} ${String(foot - high * 1.25)} ${String(x - wide / 2)} ${String(foot - high * 0.82)}Z`}
            />
            {topped && <Rosette x={x} y={foot - high * 0.86} wide={wide * 0.92} className="coat" />}
          </g>
        );
      })}
      {cake.count > shown && (
        <text className="size" x={start + shown * pitch - wide * 0.35} y={foot - high / 2}>
          {`and ${String(cake.count - shown)} more`}
        </text>
      )}
    </g>
  );
}

/** A sheet cut in pieces from above, and one piece cut open with its coat. */
export function PiecesDrawing(props: { cake: FinishedCake; frame: Frame; width: number }) {
  const { cake, frame, width } = props;
  const layer = cake.layers[0];
  if (!layer) return null;
  const points = (layer.outline[0] ?? "").split(" ").map((pair) => pair.split(",").map(Number));
  const xs = points.map(([x = 0]) => x);
  const ys = points.map(([, y = 0]) => y);
  const [wide, deep] = [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
  const scale = Math.min((width * 0.5) / wide, 190 / deep);
  const columns = Math.max(1, Math.round(Math.sqrt((cake.pieces * wide) / deep)));
  const rows = Math.max(1, Math.ceil(cake.pieces / columns));
  const middle = width * 0.3;
  const cy = frame.foot - (deep * scale) / 2;
  const side = Math.sqrt((wide * deep) / Math.max(1, cake.pieces));
  const piece = Math.min(26, (width * 0.26) / side, 150 / (layer.height_cm + 1));
  const coat = Math.max(2, cake.coat_top_cm * piece);
  const x0 = width * 0.66;
  const tall = layer.height_cm * piece;
  return (
    <g aria-hidden>
      <g transform={`translate(${String(middle)} ${String(cy)}) scale(${String(scale)})`}>
        <polygon className="crust" points={layer.outline[0]} strokeWidth={1.5 / scale} />
        {Array.from({ length: columns - 1 }, (_, i) => {
          const x = Math.min(...xs) + (wide * (i + 1)) / columns;
          return (
            <line
              key={`c${String(i)}`}
              className="dashed"
              x1={x}
              x2={x}
              y1={-deep / 2}
              y2={deep / 2}
              strokeWidth={1 / scale}
              style={{ strokeWidth: 1 / scale, strokeDasharray: "none" }}
            />
          );
        })}
        {Array.from({ length: rows - 1 }, (_, i) => {
          const y = Math.min(...ys) + (deep * (i + 1)) / rows;
          return (
            <line
              key={`r${String(i)}`}
              className="dashed"
              y1={y}
              y2={y}
              x1={-wide / 2}
              x2={wide / 2}
              style={{ strokeWidth: 1 / scale, strokeDasharray: "none" }}
            />
          );
        })}
      </g>
      <rect
        className="ganache"
        x={x0 - coat}
        y={frame.foot - tall - 2 * coat}
        rx={4}
        width={side * piece + 2 * coat}
        height={tall + 2 * coat}
      />
      <rect
        className="cut"
        x={x0}
        y={frame.foot - tall - coat}
        width={side * piece}
        height={tall}
      />
      <text x={x0} y={frame.foot - tall - 2 * coat - 8}>
        {`one of ${String(cake.pieces)}, cut open`}
      </text>
    </g>
  );
}
