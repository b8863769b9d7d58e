import { Box, Button, Typography } from "@mui/material";

import type { CoverLayer, FinishedCake, Finishing } from "../api/client";
import { grams } from "../domain/numbers";
import { length } from "../domain/units";
import { useUnits } from "../ui/useUnits";
import { Sized } from "./controls";
import { ProfileEditor } from "./ProfileEditor";
import type { FinishingInHand } from "./finishing";

/** The measures of what is carved, and the pans it could be cut from. */
export function CarveSizes(props: {
  carve: NonNullable<Finishing["carve"]>;
  cake: FinishedCake;
  carved: NonNullable<FinishedCake["carved"]>;
  finishing: FinishingInHand;
}) {
  const { carve, cake, carved, finishing } = props;
  const units = useUnits();
  const set = (part: Partial<typeof carve>) => finishing.change({ carve: { ...carve, ...part } });
  return (
    <>
      {carve.profile === "drawn" ? (
        <ProfileEditor
          points={carved.drawn}
          layers={cake.layers}
          filling={cake.filling_cm}
          onChange={(drawn) => set({ drawn })}
        />
      ) : (
        <>
          <Sized
            label="Wide at the foot"
            value={carved.foot_cm}
            step={0.5}
            units={units}
            onChange={(foot_cm) => set({ foot_cm })}
          />
          {carve.profile === "taper" && (
            <Sized
              label="Wide on top"
              value={carved.top_cm}
              step={0.5}
              units={units}
              onChange={(top_cm) => set({ top_cm })}
            />
          )}
          <Sized
            label="High"
            value={carved.cut_high_cm}
            step={0.5}
            units={units}
            onChange={(height_cm) => set({ height_cm })}
          />
        </>
      )}
      {finishing.take && (
        <Covers
          layers={cake.cover}
          title="From your rack, with the least cut off"
          onTake={() => finishing.take?.(cake.cover)}
        />
      )}
    </>
  );
}

/** Layers that a shape is cut from, from the foot upwards; taken with one tap. */
export function Covers(props: {
  layers: readonly CoverLayer[];
  title: string;
  onTake: () => void;
}) {
  const { layers, title, onTake } = props;
  const units = useUnits();
  if (layers.length === 0) return null;
  const complete = layers.every((one) => one.pan !== null);
  // Of sheets side by side Finish would make layers.
  const beside = layers.some((one) => one.beside > 1);
  return (
    <Box>
      <Typography sx={{ fontWeight: 700, fontSize: "size.small" }}>{title}</Typography>
      <Box component="ol" sx={{ m: 0, pl: 2.5, fontSize: "size.small" }}>
        {layers.map((one, i) => (
          <li key={i}>
            {one.pan === null
              ? `no pan covers ${length(one.wide_cm, units)}`
              : `${one.beside > 1 ? `${String(one.beside)} side by side: ` : ""}${one.label}, ${length(
                  one.height_cm,
                  units,
                )} high, ${grams(one.batter_g)} g of batter each`}
          </li>
        ))}
      </Box>
      {beside ? (
        <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
          Sheets laid side by side are not finished as one cake here: choose them in Choose.
        </Typography>
      ) : (
        <Button size="small" disabled={!complete} onClick={onTake}>
          Take these pans
        </Button>
      )}
    </Box>
  );
}
