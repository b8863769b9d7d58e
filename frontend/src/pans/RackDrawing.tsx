import type { RackPan } from "../api/client";
import { Outline, PlanFrame, planSize } from "./PanPlan";

/** A pan of the rack from above, at a scale shared with the others. */
export function RackDrawing({ pan, scale }: { pan: RackPan; scale: number }) {
  const drawing = pan.drawing;
  if (!drawing) return null;
  const { wide, high } = planSize(drawing);
  if (pan.wells === 1) {
    return (
      <PlanFrame wide={wide} high={high} scale={scale}>
        <Outline drawing={drawing} />
      </PlanFrame>
    );
  }
  const { across, down } = wellGrid(pan.wells);
  const pitch = drawing.rim_width_cm + 0.8;
  return (
    <PlanFrame wide={pitch * across} high={pitch * down} scale={scale}>
      {Array.from({ length: pan.wells }, (_, i) => {
        const x = ((i % across) - (across - 1) / 2) * pitch;
        const y = (Math.floor(i / across) - (down - 1) / 2) * pitch;
        return (
          <g key={i} transform={`translate(${String(x)} ${String(y)})`}>
            <Outline drawing={drawing} />
          </g>
        );
      })}
    </PlanFrame>
  );
}

/** How a tray's wells lie: six as 3 × 2, twelve as 4 × 3, twenty-four as 6 × 4. */
export function wellGrid(wells: number): { across: number; down: number } {
  const across = Math.max(1, Math.round(Math.sqrt(wells * 1.4)));
  return { across, down: Math.ceil(wells / across) };
}
