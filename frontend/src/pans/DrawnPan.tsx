import type { FitPan, SourcePan } from "../api/client";
import { ghostFor } from "../domain/section";
import { PanPlan, PLAN_SHARE } from "./PanPlan";
import { PanSection } from "./PanSection";

interface DrawnPanProps {
  pan: FitPan;
  /** The recipe's own pans; the one of this kind stands behind as a ghost. */
  source: readonly SourcePan[];
  /** Pixels per cm of the section, one for all pans. */
  scale: number;
  ruler?: boolean;
}

/** A pan from above and from the side, with the recipe's own behind it. */
export function DrawnPan({ pan, source, scale, ruler = false }: DrawnPanProps) {
  const ghost = ghostFor(pan, source);
  return (
    <>
      <PanPlan pan={pan} scale={scale * PLAN_SHARE} />
      <PanSection
        pan={pan}
        ghost={ghost?.drawing ?? null}
        ghostStands={ghost?.stands_cm ?? null}
        scale={scale}
        ruler={ruler}
      />
    </>
  );
}
