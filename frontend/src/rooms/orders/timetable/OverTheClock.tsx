import { Box } from "@mui/material";
import type { ReactNode, Ref } from "react";

import type { Clock } from "../../../domain/lanes";
import { Hours } from "./Hours";

interface OverTheClockProps {
  label: string;
  clock: Clock;
  zone: string;
  /** Pixels that names take at the left. */
  indent: number;
  legend: ReactNode;
  children: ReactNode;
  /** What lies behind the rows. */
  behind?: "background.paper" | "background.default";
  ref?: Ref<HTMLDivElement>;
}

/** Rows of a timetable under its hours, scrolled in a frame of their own. */
export function OverTheClock(props: OverTheClockProps) {
  const { label, clock, zone, indent, legend, children, behind = "background.paper", ref } = props;
  return (
    <Box
      ref={ref}
      className="no-print"
      sx={(t) => ({
        bgcolor: behind,
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        overflow: "auto",
        my: 1,
      })}
      tabIndex={0}
      role="region"
      aria-label={label}
    >
      <Box sx={{ width: indent + clock.width, position: "relative" }}>
        <Hours clock={clock} zone={zone} indent={indent} />
        {children}
      </Box>
      {legend}
    </Box>
  );
}
