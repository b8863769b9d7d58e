import { Box, Button } from "@mui/material";

import type { FinishedCake, Finishing, FinishPart } from "../api/client";
import { percent } from "../domain/numbers";
import { length } from "../domain/units";
import { PickList } from "../ui/PickList";
import { Counted, Sized, Toggle, Usual } from "./controls";
import { Word } from "./Word";
import type { WordProps } from "./Word";

/** Levelling and splitting. */
export function LevelWord({ cake, finishing, units }: WordProps) {
  const { now, change } = finishing;
  const cm = (value: number) => length(value, units);
  return (
    <Word
      name="level"
      about="Levelling and splitting"
      finishing={finishing}
      words={levelWords(cake, now, cm)}
    >
      <PickList
        label="Level"
        value={now.level ?? "edge"}
        options={[
          { value: "edge", label: "Level to the edge", does: "What domes comes off." },
          {
            value: "leave",
            label: "Leave the dome",
            does: "The top layer may go upside down.",
          },
          { value: "to", label: "Level to a height" },
        ]}
        onChange={(level) => change({ level, level_cm: null })}
      />
      {now.level === "to" && (
        <Sized
          label="Height of a layer"
          value={levelled(cake, now)}
          step={0.2}
          units={units}
          onChange={(level_cm) => change({ level_cm })}
        />
      )}
      <Sized
        label="Dome, middle less edge"
        value={Number(now.dome_cm ?? 0)}
        step={0.2}
        units={units}
        onChange={(dome_cm) => change({ dome_cm: dome_cm === 0 ? null : dome_cm })}
      />
      <Counted
        label="Layers cut from each"
        value={cake.split}
        most={8}
        onChange={(split) => change({ split })}
      />
    </Word>
  );
}

/** Stacking, and cutting into pieces. */
export function CutWord({ cake, finishing }: WordProps) {
  const { now, change } = finishing;
  return (
    <Word name="cut" about="Stacking and cutting" finishing={finishing} words={cutWords(cake, now)}>
      <Counted
        label="A sheet cut in so many that are stacked"
        value={now.stack ?? 1}
        most={6}
        onChange={(stack) => change({ stack, pieces: 0 })}
      />
      <Counted
        label="A sheet cut in so many pieces, each coated"
        value={cake.pieces}
        least={0}
        most={400}
        onChange={(pieces) => change({ pieces, piece_cm: null, stack: 1 })}
      />
      {cake.pieces > 0 && (
        <PickList
          label="Faces that are dipped and rolled"
          value={now.dipped ?? "all"}
          options={[
            { value: "all", label: "All round" },
            { value: "no_foot", label: "All but the foot" },
            { value: "top", label: "The top alone" },
          ]}
          onChange={(dipped) => change({ dipped })}
        />
      )}
      <Toggle
        label="All flat pans in one stack"
        on={now.joined ?? false}
        onChange={(joined) => change({ joined })}
      />
      <Counted
        label="Batter goes into the pan in so many layers"
        value={now.batter_layers ?? 1}
        most={8}
        onChange={(batter_layers) => change({ batter_layers })}
      />
      <Toggle
        label="Tiers: each row on the one below"
        on={now.tiers ?? false}
        onChange={(tiers) => change({ tiers })}
      />
      {cake.fruit_cm > 0 && (
        <Toggle
          label="Turned over: what lay in the pan first on top"
          on={cake.turned_over}
          onChange={(turned_over) => change({ turned_over })}
        />
      )}
    </Word>
  );
}

/** The soak. */
export function SoakWord(props: WordProps & { drenched: number }) {
  const { cake, finishing, drenched } = props;
  const { now, change } = finishing;
  const warm = cake.soak_hot ? ", warm" : "";
  return (
    <Word
      name="soak"
      about="Soak"
      finishing={finishing}
      words={cake.soak_share > 0 ? `soak ${percent(cake.soak_share)}${warm}` : "no soak"}
    >
      <Counted
        label="Soak, per cent of the layers"
        value={Math.round(cake.soak_share * 100)}
        least={0}
        most={150}
        step={5}
        unit="%"
        onChange={(share) => change({ soak: share / 100 })}
      />
      <Toggle
        label="Warm: over the pierced cake, before it cools"
        on={cake.soak_hot}
        onChange={(soak_hot) => change({ soak_hot })}
      />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5 }}>
        <Button size="small" disabled={now.soak === 0} onClick={() => change({ soak: 0 })}>
          None
        </Button>
        <Usual onClick={() => change({ soak: null, soak_hot: null })} />
        <Button size="small" onClick={() => change({ soak: drenched })}>
          Drenched, {percent(drenched)}
        </Button>
      </Box>
    </Word>
  );
}

/** The filling and its dam. */
export function FillingWord(props: WordProps & { parts: readonly FinishPart[] }) {
  const { cake, parts, finishing, units } = props;
  const { now, change } = finishing;
  const cm = (value: number) => length(value, units);
  return (
    <Word
      name="filling"
      about="Filling"
      finishing={finishing}
      words={
        cake.filling_cm > 0
          ? `fill ${cm(cake.filling_cm)}${cake.dam_cm > 0 ? " with a dam" : ""}`
          : "no filling"
      }
    >
      <Sized
        label="Filling, thick"
        value={cake.fillings[0]?.thick_cm ?? 0}
        step={0.1}
        units={units}
        onChange={(filling_cm) => change({ filling_cm })}
      />
      {cake.fillings.slice(1).map(({ component, thick_cm }) => (
        <Sized
          key={component}
          label={`${parts.find((part) => part.key === component)?.title ?? "More"} on it, thick`}
          value={thick_cm}
          step={0.1}
          units={units}
          onChange={(cm) => change({ fillings_cm: { ...now.fillings_cm, [component]: cm } })}
        />
      ))}
      <Sized
        label="Dam, wide"
        value={cake.dam_cm}
        step={0.2}
        units={units}
        onChange={(dam_cm) => change({ dam_cm: dam_cm === 0 ? null : dam_cm })}
      />
      <Usual onClick={() => change({ filling_cm: null, dam_cm: null })} />
    </Word>
  );
}

function levelWords(cake: FinishedCake, now: Finishing, cm: (value: number) => string): string {
  const split = cake.split > 1 ? `, split in ${String(cake.split)}` : "";
  const dome = now.dome_cm ? ` (dome ${cm(Number(now.dome_cm))})` : "";
  if (now.level === "leave") return `leave the dome${split}`;
  if (now.level === "to") return `level to ${cm(levelled(cake, now))}${dome}${split}`;
  return `level to the edge${dome}${split}`;
}

function cutWords(cake: FinishedCake, now: Finishing): string {
  if (cake.pieces > 0) return `cut in ${String(cake.pieces)} pieces`;
  if ((now.stack ?? 1) > 1) return `cut in ${String(now.stack)}, stacked`;
  if (now.tiers) return "in tiers";
  return now.joined ? "all in one stack" : "a cake of each row";
}

/** Height of a layer as baked and levelled, before it is split. */
function levelled(cake: FinishedCake, now: Finishing): number {
  return Number(now.level_cm ?? (cake.layers[0]?.height_cm ?? 0) * cake.split);
}
