import { Box, Typography } from "@mui/material";

import type { FitPan, SourcePan } from "../../../api/client";
import { countOf, grams } from "../../../domain/numbers";
import { ghostFor } from "../../../domain/section";
import { PanPlan, PLAN_SHARE } from "./PanPlan";
import { PanSection } from "./PanSection";

/** A filled pan, small: drawn, named, weighed and judged. */
export function SmallPan(props: { pan: FitPan; source: readonly SourcePan[]; scale: number }) {
  const { pan, source, scale } = props;
  const ghost = ghostFor(pan, source);
  return (
    <Box component="li" sx={{ minWidth: 0, maxWidth: "100%" }}>
      <Box sx={{ minHeight: 92, display: "flex", flexDirection: "column", justifyContent: "end" }}>
        <PanPlan pan={pan} scale={scale * PLAN_SHARE} />
        <PanSection
          pan={pan}
          ghost={ghost?.drawing ?? null}
          ghostStands={ghost?.stands_cm ?? null}
          scale={scale}
          ruler={false}
        />
      </Box>
      <Typography sx={{ fontWeight: 650, lineHeight: 1.2, mt: 0.25 }}>{countOf(pan)}</Typography>
      <Typography color="textSecondary" sx={{ fontSize: "0.9rem", lineHeight: 1.2 }}>
        {pan.batter_g_each === null
          ? "not filled"
          : `${grams(pan.batter_g_each)} g${pan.count > 1 ? " each" : ""}`}
      </Typography>
    </Box>
  );
}
