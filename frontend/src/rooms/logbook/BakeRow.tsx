import { Box, Button, Typography } from "@mui/material";

import type { Bake, RackPan } from "../../api/client";
import { cameOut, minutes, planned } from "../../bakes/words";
import { momentWords } from "../../domain/moments";
import { countOf } from "../../domain/numbers";
import { RackDrawing } from "../../pans/RackDrawing";
import { WindowBar } from "./WindowBar";

/** One scale for the pans of the list, px per cm. */
const PAN_SCALE = 1.8;

interface BakeRowProps {
  bake: Bake;
  zone: string;
  /** Its pan, while the rack has it. */
  pan?: RackPan | undefined;
  /** A bake that another is chosen to be compared with. */
  picking?: Bake | null;
  onOpen?: () => void;
  onCompare?: () => void;
  onAnswer: (counted: "true" | "left_out") => void;
}

/** One bake: what was planned and what happened, in one line that opens. */
export function BakeRow(props: BakeRowProps) {
  const { bake, zone, pan, picking = null, onOpen, onCompare, onAnswer } = props;
  const name = `${bake.recipe_title}, ${bake.pan_label}, ${momentWords(bake.baked_at, zone)}`;
  const other = picking !== null && picking.id !== bake.id;
  const fits = other && picking.recipe_title === bake.recipe_title;
  return (
    <Box
      component="li"
      sx={{
        display: "grid",
        gridTemplateColumns: {
          xs: "minmax(0, 1fr)",
          md: "minmax(0, 5fr) 210px minmax(0, 4fr) auto",
        },
        columnGap: 2,
        rowGap: 0.5,
        alignItems: "center",
        py: 1,
        borderBottom: 1,
        borderColor: "divider",
        opacity: other && !fits ? 0.55 : 1,
      }}
    >
      <Box sx={{ display: "flex", gap: 1.5, minWidth: 0 }}>
        {(bake.photo !== null || pan) && (
          <Box
            sx={{
              width: 64,
              flexShrink: 0,
              display: "flex",
              alignItems: "center",
              justifyContent: "center",
            }}
          >
            {bake.photo !== null ? (
              <Box
                component="img"
                src={`/api/bakes/${String(bake.id)}/photo?v=${String(bake.photo)}`}
                alt={`Photo of ${bake.recipe_title}`}
                sx={{ width: 64, height: 64, objectFit: "cover", borderRadius: 1 }}
              />
            ) : (
              pan && <RackDrawing pan={pan} scale={PAN_SCALE} />
            )}
          </Box>
        )}
        <Box sx={{ minWidth: 0 }}>
          <Typography sx={{ fontWeight: 650 }}>{bake.recipe_title}</Typography>
          <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
            {[
              momentWords(bake.baked_at, zone),
              countOf({ count: bake.count, label: bake.pan_label, wells: pan?.wells ?? 1 }),
              [bake.oven_name, bake.dial].filter(Boolean).join(", "),
            ].join(" · ")}
          </Typography>
        </Box>
      </Box>
      <WindowBar bake={bake} />
      <Box sx={{ minWidth: 0 }}>
        <Typography>
          <b>{`${minutes(bake.minutes)} min`}</b>
          {`, ${cameOut(bake)}`}
          <Box component="span" sx={{ color: "text.secondary" }}>{` · ${planned(bake)}`}</Box>
        </Typography>
        {[bake.change && `To change: ${bake.change}`, bake.note].filter(Boolean).map((words) => (
          <Typography key={words} color="textSecondary" sx={{ fontSize: "size.small" }}>
            {words}
          </Typography>
        ))}
        {bake.ask && (
          <Box sx={{ mt: 0.5 }}>
            <Typography sx={{ fontSize: "size.small", fontWeight: 650 }}>{bake.ask}</Typography>
            <Button size="small" onClick={() => onAnswer("true")}>
              It was so, count it
            </Button>
            <Button size="small" onClick={() => onAnswer("left_out")}>
              Something was different, leave it out
            </Button>
          </Box>
        )}
        {bake.counted === "left_out" && (
          <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
            Not counted: something was different.
          </Typography>
        )}
      </Box>
      <Box sx={{ display: "flex", gap: 0.5 }}>
        {onCompare && (
          <Button
            size="small"
            aria-label={`${fits ? "Compare with" : "Compare"} ${name}`}
            aria-pressed={picking?.id === bake.id}
            disabled={bake.damaged || (other && !fits)}
            onClick={onCompare}
          >
            Compare
          </Button>
        )}
        {onOpen && (
          <Button size="small" aria-label={`Open ${name}`} disabled={bake.damaged} onClick={onOpen}>
            Open
          </Button>
        )}
      </Box>
    </Box>
  );
}
