import type { FinishedCake, FinishPart } from "../api/client";
import { bandsOf, borderOf, carvedHalf, dripsOf, partFor } from "../domain/cake";
import type { Frame } from "../domain/cake";
import type { FinishWord } from "./finishing";

interface HalfProps {
  cake: FinishedCake;
  parts: readonly FinishPart[];
  frame: Frame;
  onPart: (word: FinishWord) => void;
}

const COLOURS: Readonly<Record<string, string>> = {
  jam: "jam",
  curd: "butter",
  ganache: "ganache",
  caramel: "caramel",
};

function colourOf(parts: readonly FinishPart[], use: string): string {
  return COLOURS[partFor(parts, use)?.kind ?? ""] ?? "coat";
}

/** Radius of the upper edge of a coat, cm: a spread coat is never sharp. */
const ROUNDED_CM = 0.45;

/** Half of a cake's silhouette, from the axis to one side (-1 left, 1 right). */
function silhouette(cake: FinishedCake, frame: Frame, side: 1 | -1): string {
  const { scale, axis, foot } = frame;
  const x = (cm: number) => (axis + side * cm * scale).toFixed(1);
  const y = (cm: number) => (foot - cm * scale).toFixed(1);
  const high = cake.height_cm;
  if (cake.carved) {
    const marks = cake.carved.marks;
    const top = marks.at(-1)?.[0] ?? high;
    const points = Array.from({ length: 41 }, (_, i) => (top * i) / 40).map(
      (z) => `${x(carvedHalf(marks, z))} ${y(z)}`,
    );
    return `M${x(0)} ${y(0)}L${points.join("L")}L${x(0)} ${y(top)}Z`;
  }
  const half = cake.width_cm / 2;
  if (cake.kind === "ball") {
    const r = half * scale;
    return `M${x(0)} ${y(0)}L${x(half)} ${y(0)}A${String(r)} ${String(high * scale)} 0 0 ${side === 1 ? "0" : "1"} ${x(0)} ${y(high)}Z`;
  }
  const round = Math.min(
    cake.coat_top_cm > 0 || cake.glazed ? ROUNDED_CM : 0.2,
    half / 3,
    high / 3,
  );
  const dome = cake.dome_cm;
  return (
    `M${x(0)} ${y(0)}L${x(half)} ${y(0)}L${x(half)} ${y(high - round)}` +
    `Q${x(half)} ${y(high)} ${x(half - round)} ${y(high)}` +
    (dome > 0
      ? `Q${x(half / 2)} ${y(high + dome)} ${x(0)} ${y(high + dome)}`
      : `L${x(0)} ${y(high)}`) +
    "Z"
  );
}

/** The left half, cut open: crumb, soak, joins with their dam, coats. */
export function Within(props: HalfProps & { clip: string }) {
  const { cake, parts, frame, onPart, clip } = props;
  const { scale, axis, foot } = frame;
  const shape = silhouette(cake, frame, -1);
  const tube = cake.tube_cm / 2 + cake.coat_side_cm;
  const coated = cake.coat_top_cm > 0 || cake.coat_side_cm > 0;
  const y = (cm: number) => foot - cm * scale;
  const left = (half: number) => axis - half * scale;
  const inner = axis - (cake.tube_cm > 0 ? tube * scale : 0);
  return (
    <g aria-hidden clipPath={`url(#${clip})`}>
      <defs>
        <clipPath id={clip}>
          <path d={shape} />
        </clipPath>
      </defs>
      <path className={coated ? colourOf(parts, "coat") : "crumbs"} d={shape} />
      {bandsOf(cake).map((band) => {
        const half = band.wide / 2;
        const tall = (band.to - band.from) * scale;
        const dam = band.kind === "filling" ? Math.min(cake.dam_cm, half) : 0;
        return band.kind === "layer" ? (
          <g key={`l${String(band.from)}`} className="tap" onClick={() => onPart("level")}>
            <rect
              className="cut"
              x={left(half)}
              y={y(band.to)}
              width={inner - left(half)}
              height={tall}
            />
            {cake.fruit_cm > 0 && (
              <Fruit
                x={left(half)}
                y={y(cake.turned_over ? band.to : band.from + cake.fruit_cm)}
                wide={inner - left(half)}
                high={cake.fruit_cm * scale}
              />
            )}
            {cake.soak_share > 0 && (
              <rect
                className="soak"
                x={left(half)}
                y={y(band.to)}
                width={inner - left(half)}
                height={tall * Math.min(0.75, 0.18 + cake.soak_share)}
              />
            )}
          </g>
        ) : (
          <g key={`f${String(band.from)}`} className="tap" onClick={() => onPart("filling")}>
            <rect
              className={colourOf(parts, band.use)}
              x={left(half - dam)}
              y={y(band.to)}
              width={inner - left(half - dam)}
              height={tall}
            />
            {dam > 0 && (
              <rect
                className="coat edge"
                x={left(half)}
                y={y(band.to)}
                width={dam * scale}
                height={tall}
                style={{ fill: "var(--mui-palette-bench-coat)" }}
              />
            )}
          </g>
        );
      })}
      {cake.hollow_cm > 0 && <Hollow cake={cake} parts={parts} frame={frame} />}
      {cake.crumb_cm > 0 && !cake.carved && (
        <path
          className="dashed"
          d={`M${String(left(cake.width_cm / 2 - cake.coat_side_cm + cake.crumb_cm))} ${String(foot)}V${String(y(cake.height_cm - cake.coat_top_cm + cake.crumb_cm))}H${String(axis)}`}
        />
      )}
      {cake.tube_cm > 0 && (
        <rect
          className="soak"
          x={axis - (cake.tube_cm / 2) * scale}
          y={y(cake.height_cm)}
          width={(cake.tube_cm / 2) * scale}
          height={cake.height_cm * scale}
        />
      )}
      {(cake.glazed || cake.drips > 0) && (
        <OnTop cake={cake} parts={parts} frame={frame} side={-1} />
      )}
      <path className="edge" d={shape} />
    </g>
  );
}

/** The right half, as it stands: coat or crust, what is pressed on, drips, piping. */
export function Standing({ cake, parts, frame, onPart }: HalfProps) {
  const { scale, axis, foot } = frame;
  const shape = silhouette(cake, frame, 1);
  const coated = cake.coat_side_cm > 0;
  const half = cake.width_cm / 2;
  const press = partFor(parts, "press");
  const naked = coated && cake.coat_side_cm < 0.3;
  return (
    <g aria-hidden>
      <g className="tap" onClick={() => onPart("coat")}>
        <path className={coated ? colourOf(parts, "coat") : "crust"} d={shape} />
        {naked && <path className="crumbs" d={shape} opacity={0.45} />}
        {(!coated || naked) && !cake.carved && (
          <>
            {bandsOf(cake)
              .filter((band) => band.kind === "filling")
              .map((band) => (
                <rect
                  key={band.from}
                  className={colourOf(parts, band.use)}
                  x={axis}
                  y={foot - band.to * scale}
                  width={(band.wide / 2) * scale}
                  height={(band.to - band.from) * scale}
                  opacity={0.8}
                />
              ))}
          </>
        )}
        {coated &&
          !cake.carved &&
          [0.3, 0.52, 0.7, 0.83, 0.92, 0.97].map((share) => (
            <line
              key={share}
              className="shade"
              x1={axis + half * share * scale}
              x2={axis + half * share * scale}
              y1={foot - (cake.height_cm - 0.4) * scale}
              y2={foot - 2}
              strokeWidth={1}
              opacity={0.6}
            />
          ))}
      </g>
      {cake.fruit_cm > 0 && cake.turned_over && cake.coat_top_cm === 0 && (
        <Fruit
          x={axis}
          y={foot - cake.height_cm * scale}
          wide={half * scale}
          high={cake.fruit_cm * scale}
        />
      )}
      {press && <Pressed cake={cake} frame={frame} onPart={onPart} />}
      {(cake.glazed || cake.drips > 0) && (
        <g className="tap" onClick={() => onPart("drip")}>
          <OnTop cake={cake} parts={parts} frame={frame} side={1} />
        </g>
      )}
      <path className="edge" d={shape} />
      {cake.border > 0 && (
        <g className="tap" onClick={() => onPart("border")}>
          {borderOf(cake).map((piece) => (
            <Rosette
              key={piece.x}
              x={axis + piece.x * scale}
              y={foot - cake.height_cm * scale}
              wide={cake.border_cm * scale}
              className={colourOf(parts, "border")}
            />
          ))}
        </g>
      )}
    </g>
  );
}

/** Fruit and syrup that lay in the pan first, side by side. */
function Fruit({ x, y, wide, high }: { x: number; y: number; wide: number; high: number }) {
  const pitch = Math.max(12, high * 1.6);
  return (
    <>
      <rect className="fruit" x={x} y={y} width={wide} height={high} opacity={0.55} />
      {Array.from({ length: Math.max(1, Math.floor(wide / pitch)) }, (_, i) => (
        <ellipse
          key={i}
          className="fruit edge"
          style={{ fill: "var(--mui-palette-bench-layer)", strokeWidth: 0.8 }}
          cx={x + (i + 0.5) * pitch}
          cy={y + high / 2}
          rx={pitch * 0.42}
          ry={high * 0.42}
        />
      ))}
    </>
  );
}

/** A chamber cut out in the middle and filled. */
function Hollow({ cake, parts, frame }: Omit<HalfProps, "onPart">) {
  const { scale, axis, foot } = frame;
  return (
    <rect
      className={`${colourOf(parts, "hollow")} edge`}
      style={{ fill: `var(--mui-palette-bench-${colourOf(parts, "hollow")})` }}
      x={axis - (cake.hollow_cm / 2) * scale}
      y={foot - (cake.height_cm / 2 + cake.hollow_high_cm / 2) * scale}
      width={(cake.hollow_cm / 2) * scale}
      height={cake.hollow_high_cm * scale}
    />
  );
}

/** What is poured: over the top, and down the side in drips or in one curtain. */
function OnTop(props: {
  cake: FinishedCake;
  parts: readonly FinishPart[];
  frame: Frame;
  side: 1 | -1;
}) {
  const { cake, parts, frame, side } = props;
  const { scale, axis, foot } = frame;
  const half = cake.width_cm / 2;
  const top = foot - cake.height_cm * scale;
  const colour =
    cake.drips > 0 ? (partFor(parts, "drip") ? "ganache" : "coat") : glazeColour(parts);
  const thick = Math.max(3, 0.25 * scale);
  const end = axis + side * half * scale;
  const band = `M${String(axis)} ${String(top)}H${String(end - side * 4)}Q${String(end)} ${String(top)} ${String(end)} ${String(top + thick + 3)}L${String(axis)} ${String(top + thick)}Z`;
  if (cake.glazed && cake.drips === 0) {
    const runs = cake.height_cm * 0.55 * scale;
    return (
      <>
        <path className={colour} d={band} />
        {side === 1 && (
          <path
            className={colour}
            d={`M${String(axis)} ${String(top)}H${String(end - 4)}Q${String(end)} ${String(top)} ${String(end)} ${String(top + 6)}V${String(top + runs)}${WAVES.map(([x, deep], i) => `${i === 0 ? "L" : "S"}${i === 0 ? "" : `${String(axis + half * scale * (x + 0.06))} ${String(top + runs * deep)} `}${String(axis + half * scale * x)} ${String(top + runs * deep)}`).join("")}L${String(axis)} ${String(top + runs * 0.5)}Z`}
          />
        )}
      </>
    );
  }
  return (
    <>
      <path className={colour} d={band} />
      {side === 1 &&
        dripsOf(cake).map((drip) => {
          const x = axis + drip.x * scale;
          const wide = drip.wide * scale;
          const long = drip.length * scale;
          const w = wide / 2;
          return (
            <path
              key={drip.x}
              className={colour}
              d={
                `M${String(x - w * 1.5)} ${String(top + 1)}H${String(x + w * 1.5)}` +
                `Q${String(x + w * 0.75)} ${String(top + long * 0.2)} ${String(x + w * 0.7)} ${String(top + long * 0.5)}` +
                `L${String(x + w * 0.78)} ${String(top + long - w)}` +
                `A${String(w * 0.82)} ${String(w)} 0 0 1 ${String(x - w * 0.78)} ${String(top + long - w)}` +
                `L${String(x - w * 0.7)} ${String(top + long * 0.5)}` +
                `Q${String(x - w * 0.75)} ${String(top + long * 0.2)} ${String(x - w * 1.5)} ${String(top + 1)}Z`
              }
            />
          );
        })}
    </>
  );
}

function glazeColour(parts: readonly FinishPart[]): string {
  return colourOf(parts, "glaze");
}

/** The lower edge of a poured glaze: share of the half width, share of how far it runs. */
const WAVES = [
  [0.96, 0.9],
  [0.8, 0.55],
  [0.66, 1],
  [0.5, 0.6],
  [0.34, 0.92],
  [0.18, 0.5],
] as const;

/** Crumbs, nuts or flakes on the side, as far up as they go. */
function Pressed(props: { cake: FinishedCake; frame: Frame; onPart: (word: FinishWord) => void }) {
  const { cake, frame, onPart } = props;
  const { scale, axis, foot } = frame;
  const half = (cake.width_cm / 2) * scale;
  const high = cake.height_cm * scale * 0.92;
  return (
    <g className="tap" onClick={() => onPart("press")}>
      {Array.from({ length: 90 }, (_, i) => {
        const across = (i * 0.618034) % 1;
        const up = (i * 0.754878) % 1;
        return (
          <rect
            key={i}
            className={i % 3 === 0 ? "shadeFill" : "dot"}
            x={axis + Math.sin((across * Math.PI) / 2) * (half - 5)}
            y={foot - up * high - 4}
            width={4}
            height={2.4}
            rx={1}
            transform={`rotate(${String((i * 41) % 180)} ${String(axis + Math.sin((across * Math.PI) / 2) * (half - 5))} ${String(foot - up * high - 4)})`}
          />
        );
      })}
    </g>
  );
}

/** A piped piece from the side: turns that get narrower. */
export function Rosette(props: { x: number; y: number; wide: number; className: string }) {
  const { x, y, wide, className } = props;
  const turns = [
    [1, 0.28, 0],
    [0.72, 0.25, 0.24],
    [0.4, 0.2, 0.44],
  ] as const;
  return (
    <g>
      {turns.map(([across, tall, up]) => (
        <path
          key={up}
          className={`${className} edge`}
          style={{ fill: `var(--mui-palette-bench-${className})`, strokeWidth: 1 }}
          d={
            `M${String(x - (wide * across) / 2)} ${String(y - wide * up)}` +
            `Q${String(x - (wide * across) / 2)} ${String(y - wide * (up + tall))} ${String(x)} ${String(y - wide * (up + tall))}` +
            `Q${String(x + (wide * across) / 2)} ${String(y - wide * (up + tall))} ${String(x + (wide * across) / 2)} ${String(y - wide * up)}Z`
          }
        />
      ))}
    </g>
  );
}
