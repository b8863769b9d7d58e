import { Alert, Box, ButtonBase, LinearProgress, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import type { FitEntry, RackPan } from "../../../api/client";
import { pansQuery } from "../../../api/queries/kitchen";
import { litres, markLength } from "../../../domain/units";
import type { Units } from "../../../domain/units";
import { useUnits } from "../../../ui/useUnits";
import { RackDrawing } from "../../../pans/RackDrawing";
import { TypedBox } from "./TypedBox";

const SCALE = 3.1;

interface RackTrayProps {
  onAdd: (entry: FitEntry) => void;
  onOther: () => void;
  /** Whether a pan that is not on the rack may be typed. */
  others?: boolean;
}

/** The rack, drawn to one scale: tap a pan to choose it. */
export function RackTray({ onAdd, onOther, others = true }: RackTrayProps) {
  const rack = useQuery(pansQuery());
  const units = useUnits();
  if (rack.isPending) return <LinearProgress aria-label="Fetching the rack" />;
  if (rack.isError) return <Alert severity="error">{rack.error.message}</Alert>;
  return (
    <>
      {others && <TypedBox onAdd={onAdd} />}
      <Typography sx={{ fontWeight: 700, mt: 1 }}>
        {rack.data.length > 0 ? "Which pans? Tap what is free." : "The rack is empty."}
      </Typography>
      <Box
        component="ul"
        aria-label="The rack"
        sx={{
          listStyle: "none",
          m: 0,
          p: 0,
          display: "grid",
          gridTemplateColumns: "repeat(auto-fill, minmax(124px, 1fr))",
          gap: 0.5,
          mt: 1,
        }}
      >
        {rack.data.map((pan) => (
          <Box component="li" key={pan.id} sx={{ display: "flex" }}>
            <Tile onClick={() => onAdd({ pan: pan.id, count: pan.wells })}>
              <RackDrawing pan={pan} scale={SCALE} section />
              <TileWords title={pan.label} words={words(pan, units)} />
            </Tile>
          </Box>
        ))}
        {others && (
          <Box component="li" sx={{ display: "flex" }}>
            <Tile onClick={onOther}>
              <TileWords title="Another pan" words="all its measures, or drawn" />
            </Tile>
          </Box>
        )}
      </Box>
    </>
  );
}

function Tile({ onClick, children }: { onClick: () => void; children: React.ReactNode }) {
  return (
    <ButtonBase
      onClick={onClick}
      sx={(t) => ({
        flex: 1,
        flexDirection: "column",
        justifyContent: "flex-end",
        gap: 0.5,
        p: 1,
        minHeight: 112,
        borderRadius: 1,
        border: "1.5px solid transparent",
        "&:hover": { bgcolor: t.vars.palette.bench.butterTint },
      })}
    >
      {children}
    </ButtonBase>
  );
}

function TileWords({ title, words: below }: { title: string; words: string }) {
  return (
    <Box sx={{ textAlign: "center" }}>
      <Typography component="span" sx={{ fontWeight: 650, display: "block", lineHeight: 1.2 }}>
        {title}
      </Typography>
      <Typography component="span" color="textSecondary" sx={{ fontSize: "size.tiny" }}>
        {below}
      </Typography>
    </Box>
  );
}

function words(pan: RackPan, units: Units): string {
  const size =
    pan.drawing && pan.known_by === "measures"
      ? `wall ${markLength(pan.drawing.wall_cm, pan.inches ? "us" : units)}`
      : `holds ${litres(pan.capacity_ml, units)}`;
  return `${size} · own ${String(pan.owned)}`;
}
