import { Box, Paper, Popper } from "@mui/material";
import { useId, useState } from "react";
import type { ReactNode, SyntheticEvent } from "react";

import type { FitPan } from "../api/client";
import { percent } from "../domain/numbers";
import { length, volume } from "../domain/units";
import type { Units } from "../domain/units";
import { useUnits } from "../ui/useUnits";

/** The numbers of a drawing, read out where the pointer or the focus is on it. */
export function Reading({ pan, children }: { pan: FitPan; children: ReactNode }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const id = useId();
  const units = useUnits();
  const show = (event: SyntheticEvent<HTMLElement>) => setAnchor(event.currentTarget);
  const hide = () => setAnchor(null);
  return (
    <Box
      role="group"
      tabIndex={0}
      aria-label={`Drawing of ${pan.label}`}
      aria-describedby={anchor ? id : undefined}
      onMouseEnter={show}
      onMouseLeave={hide}
      onFocus={show}
      onBlur={hide}
      onKeyDown={anchor ? (event) => event.key === "Escape" && hide() : undefined}
      sx={(t) => ({
        width: "fit-content",
        maxWidth: "100%",
        borderRadius: 1,
        "&:focus-visible": { outline: `3px solid ${t.vars.palette.bench.butter}` },
      })}
    >
      {children}
      {anchor && (
        <Popper
          id={id}
          open
          anchorEl={anchor}
          placement="top"
          style={{ zIndex: 1500, pointerEvents: "none" }}
        >
          <Paper
            elevation={4}
            sx={{ p: 1, m: 0.5, fontSize: "size.small", border: 1, borderColor: "divider" }}
          >
            {readings(pan, units).map((line) => (
              <div key={line}>{line}</div>
            ))}
          </Paper>
        </Popper>
      )}
    </Box>
  );
}

/** What the drawing shows, number by number. */
export function readings(pan: FitPan, units: Units): string[] {
  const cm = (value: number) => length(value, units);
  const wall = pan.drawing
    ? `, ${pan.patted ? "thickness" : "rim at"} ${cm(pan.drawing.wall_cm)}`
    : "";
  return [
    pan.layer_cm ? `Base layer up to ${cm(pan.layer_cm)}` : "",
    pan.batter_cm === null ? "" : `Batter ${cm(pan.batter_cm)} deep`,
    pan.fill === null || pan.patted
      ? ""
      : `${percent(pan.fill)} full${
          pan.fill_limit === null ? "" : `, ${percent(pan.fill_limit)} is the usual most`
        }`,
    pan.risen_cm === null || pan.patted ? "" : `Rises to about ${cm(pan.risen_cm)}${wall}`,
    pan.capacity_ml === null || pan.patted
      ? ""
      : `Holds ${volume(pan.capacity_ml, units)}${pan.wells > 1 ? " a well" : ""}`,
  ].filter(Boolean);
}
