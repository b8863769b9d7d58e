import { Box } from "@mui/material";
import type { ReactNode } from "react";

import type { FinishedCake, Finishing, FinishPart } from "../../../api/client";
import { partFor } from "../../../domain/cake";
import { percent } from "../../../domain/numbers";
import { length } from "../../../domain/units";
import type { Units } from "../../../domain/units";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import { CarveSizes } from "./CarveSizes";
import { Counted, Sized, Toggle, Usual } from "./controls";
import type { FinishingInHand, FinishWord } from "./useFinishing";

interface FinishLineProps {
  cakes: readonly FinishedCake[];
  parts: readonly FinishPart[];
  finishing: FinishingInHand;
  units: Units;
  /** Stands at the end of the line. */
  after?: ReactNode;
}

const COATS = [
  { value: "full", label: "All round", does: "Crumb coat first, then the final coat." },
  { value: "naked", label: "Naked sides", does: "Full on top, a thin scrape round the sides." },
  { value: "top", label: "On top alone", does: "The sides stay as they are." },
  { value: "none", label: "None", does: "As it comes from the oven." },
] as const;

const BORDERS = [
  { value: "none", label: "No border" },
  { value: "rosette", label: "Rosettes" },
  { value: "star", label: "Stars" },
  { value: "shell", label: "Shells" },
] as const;

const PRESSED = [
  { value: "none", label: "Nothing" },
  { value: "flakes", label: "Flakes" },
  { value: "crumbs", label: "Crumbs", does: "What levelling leaves will do." },
  { value: "nuts", label: "Chopped nuts" },
  { value: "sprinkles", label: "Sprinkles" },
] as const;

const ON_WELLS = [
  { value: "swirl", label: "A swirl" },
  { value: "flat", label: "Spread flat" },
  { value: "mini", label: "A small one" },
  { value: "none", label: "Nothing" },
] as const;

const PROFILES = [
  { value: "taper", label: "Taper" },
  { value: "rounded", label: "Rounded top" },
  { value: "ball", label: "Ball" },
  { value: "egg", label: "Egg" },
  { value: "drawn", label: "Drawn by hand" },
] as const;

/** One line that says what happens to the cake; each word opens what it can be. */
export function FinishLine({ cakes, parts, finishing, units, after }: FinishLineProps) {
  const { now, change } = finishing;
  const cake = cakes[0];
  if (!cake) return null;
  const cm = (value: number) => length(value, units);
  const stacked = cakes.some((one) => one.layers.length > 1);
  const small = cakes.every((one) => one.kind === "small");
  const whole = cakes.some((one) => one.kind !== "small" && one.kind !== "pieces");
  // What the kitchen counts, not what is usual elsewhere: no frosting on the card, no swirl.
  const onWells = now.wells ?? (partFor(parts, "swirl") ? "swirl" : "none");
  const coat = now.coat ?? (cake.coat_top_cm > 0 ? "full" : "none");
  return (
    <Box sx={{ fontSize: "size.body", lineHeight: 1.2, mb: 0.5, "& button": { my: -0.4 } }}>
      {!small && (
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
      )}
      {!small && (
        <Word name="cut" about="Stacking and cutting" finishing={finishing} words={cutWords(now)}>
          <Counted
            label="A sheet cut in so many that are stacked"
            value={now.stack ?? 1}
            most={6}
            onChange={(stack) => change({ stack, pieces: 0 })}
          />
          <Counted
            label="A sheet cut in so many pieces, each coated"
            value={now.pieces ?? 0}
            least={0}
            most={400}
            onChange={(pieces) => change({ pieces, stack: 1 })}
          />
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
      )}
      <Word
        name="soak"
        about="Soak"
        finishing={finishing}
        words={cake.soak_share > 0 ? `soak ${percent(cake.soak_share)}` : "no soak"}
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
        <Usual onClick={() => change({ soak: null })} />
      </Word>
      {stacked && (
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
            value={cake.filling_cm}
            step={0.1}
            units={units}
            onChange={(filling_cm) => change({ filling_cm })}
          />
          <Sized
            label="Dam, wide"
            value={cake.dam_cm}
            step={0.2}
            units={units}
            onChange={(dam_cm) => change({ dam_cm: dam_cm === 0 ? null : dam_cm })}
          />
          <Usual onClick={() => change({ filling_cm: null, dam_cm: null })} />
        </Word>
      )}
      {!small && (
        <Word
          name="coat"
          about="Coat"
          finishing={finishing}
          words={
            coat === "none" || cake.coat_top_cm === 0
              ? "no coat"
              : `${coat === "naked" ? "naked, top" : "coat"} ${cm(cake.final_top_cm)}`
          }
        >
          <PickList
            label="Coat"
            value={coat}
            options={COATS}
            onChange={(next) => change({ coat: next })}
          />
          <Sized
            label="Final coat"
            value={cake.final_top_cm}
            step={0.1}
            units={units}
            onChange={(coat_cm) => change({ coat_cm })}
          />
          <Sized
            label="Crumb coat"
            value={cake.crumb_cm}
            step={0.05}
            units={units}
            onChange={(crumb_cm) => change({ crumb_cm })}
          />
          <Toggle
            label="A rolled cover over it"
            on={now.rolled ?? false}
            onChange={(rolled) => change({ rolled })}
          />
          <Usual
            onClick={() => change({ coat: null, coat_cm: null, crumb_cm: null, side_cm: null })}
          />
        </Word>
      )}
      {whole && (
        <Word
          name="drip"
          about="Glaze and drip"
          finishing={finishing}
          words={
            [cake.glazed ? "glazed" : "", cake.drips > 0 ? `drip ${cm(cake.drip_cm)}` : ""]
              .filter(Boolean)
              .join(", ") || "no drip"
          }
        >
          <Toggle label="A poured glaze" on={cake.glazed} onChange={(glaze) => change({ glaze })} />
          <Toggle label="A drip" on={now.drip ?? false} onChange={(drip) => change({ drip })} />
          {now.drip && (
            <>
              <Sized
                label="Drips, long"
                value={cake.drip_cm}
                step={0.5}
                units={units}
                onChange={(drip_cm) => change({ drip_cm })}
              />
              <Sized
                label="From drip to drip"
                value={cake.pitch_cm}
                step={0.5}
                units={units}
                onChange={(pitch_cm) => change({ pitch_cm })}
              />
              <Toggle
                label="Only round the edge of the top"
                on={now.edge_ring ?? false}
                onChange={(edge_ring) => change({ edge_ring })}
              />
            </>
          )}
        </Word>
      )}
      {whole && (
        <Word
          name="border"
          about="Border"
          finishing={finishing}
          words={cake.border > 0 ? `${String(cake.border)} ${borderName(now)}` : "no border"}
        >
          <PickList
            label="Border"
            value={now.border ?? "none"}
            options={BORDERS}
            onChange={(border) => change({ border, border_cm: null })}
          />
          {cake.border > 0 && (
            <Sized
              label="Each, wide"
              value={cake.border_cm}
              step={0.5}
              units={units}
              onChange={(border_cm) => change({ border_cm })}
            />
          )}
        </Word>
      )}
      {whole && (
        <Word
          name="press"
          about="Pressed on the sides"
          finishing={finishing}
          words={now.press && now.press !== "none" ? `${now.press} on the sides` : "plain sides"}
        >
          <PickList
            label="Pressed on the sides"
            value={now.press ?? "none"}
            options={PRESSED}
            onChange={(press) => change({ press })}
          />
          {now.press && now.press !== "none" && (
            <Sized
              label="How far up"
              value={Number(now.press_cm ?? cake.height_cm)}
              step={0.5}
              units={units}
              onChange={(press_cm) => change({ press_cm })}
            />
          )}
        </Word>
      )}
      {cakes.some((one) => one.kind === "small") && (
        <Word
          name="wells"
          about="On small cakes"
          finishing={finishing}
          words={`on top: ${ON_WELLS.find((one) => one.value === onWells)?.label.toLowerCase() ?? ""}`}
        >
          <PickList
            label="On small cakes"
            value={onWells}
            options={ON_WELLS}
            onChange={(wells) => change({ wells })}
          />
        </Word>
      )}
      {cakes.some((one) => one.kind === "stack") && (
        <Word
          name="carve"
          about="Carve"
          finishing={finishing}
          words={
            [now.carve ? `carved: ${now.carve.profile}` : "", now.hollow ? "hollow" : ""]
              .filter(Boolean)
              .join(", ") || "not carved"
          }
        >
          <PickList
            label="Carve to"
            value={now.carve?.profile ?? ""}
            options={[{ value: "", label: "Not carved" }, ...PROFILES]}
            onChange={(profile) =>
              change({ carve: profile === "" ? null : { ...now.carve, profile } })
            }
          />
          {now.carve && cake.carved && (
            <CarveSizes carve={now.carve} cake={cake} carved={cake.carved} finishing={finishing} />
          )}
          <Toggle
            label="A hollow inside, filled"
            on={now.hollow ?? false}
            onChange={(hollow) =>
              change({ hollow: hollow || null, hollow_cm: null, hollow_high_cm: null })
            }
          />
          {cake.hollow_cm > 0 && (
            <>
              <Sized
                label="Hollow, across"
                value={cake.hollow_cm}
                step={0.5}
                units={units}
                onChange={(hollow_cm) => change({ hollow_cm })}
              />
              <Sized
                label="Hollow, high"
                value={cake.hollow_high_cm}
                step={0.5}
                units={units}
                onChange={(hollow_high_cm) => change({ hollow_high_cm })}
              />
            </>
          )}
        </Word>
      )}
      {after}
    </Box>
  );
}

interface WordProps {
  name: FinishWord;
  about: string;
  words: string;
  finishing: FinishingInHand;
  children: ReactNode;
}

function Word({ name, about, words, finishing, children }: WordProps) {
  return (
    <Box component="span" sx={{ mr: 1.25 }}>
      <Opens
        label={about}
        words={words}
        opened={finishing.open === name}
        onClosed={() => finishing.setOpen(null)}
      >
        {() => <Box sx={{ display: "grid", gap: 1.25 }}>{children}</Box>}
      </Opens>
    </Box>
  );
}

function levelWords(cake: FinishedCake, now: Finishing, cm: (value: number) => string): string {
  const split = cake.split > 1 ? `, split in ${String(cake.split)}` : "";
  const dome = now.dome_cm ? ` (dome ${cm(Number(now.dome_cm))})` : "";
  if (now.level === "leave") return `leave the dome${split}`;
  if (now.level === "to") return `level to ${cm(levelled(cake, now))}${dome}${split}`;
  return `level to the edge${dome}${split}`;
}

function cutWords(now: Finishing): string {
  if ((now.pieces ?? 0) > 0) return `cut in ${String(now.pieces)} pieces`;
  if ((now.stack ?? 1) > 1) return `cut in ${String(now.stack)}, stacked`;
  if (now.tiers) return "in tiers";
  return now.joined ? "all in one stack" : "a cake of each row";
}

function borderName(now: Finishing): string {
  return { rosette: "rosettes", star: "stars", shell: "shells", none: "" }[now.border ?? "none"];
}

/** Height of a layer as baked and levelled, before it is split. */
function levelled(cake: FinishedCake, now: Finishing): number {
  return Number(now.level_cm ?? (cake.layers[0]?.height_cm ?? 0) * cake.split);
}
