import type { Finishing, FinishPart } from "../api/client";
import { partFor } from "../domain/cake";
import { length } from "../domain/units";
import { PickList } from "../ui/PickList";
import { CarveSizes } from "./CarveSizes";
import { Sized, Toggle, Usual } from "./controls";
import { Word } from "./Word";
import type { WordProps } from "./Word";

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

/** Crumb coat and final coat. */
export function CoatWord({ cake, finishing, units }: WordProps) {
  const { now, change } = finishing;
  const cm = (value: number) => length(value, units);
  const coat = now.coat ?? (cake.coat_top_cm > 0 ? "full" : "none");
  return (
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
      <Usual onClick={() => change({ coat: null, coat_cm: null, crumb_cm: null, side_cm: null })} />
    </Word>
  );
}

/** A poured glaze, and a drip. */
export function DripWord({ cake, finishing, units }: WordProps) {
  const { now, change } = finishing;
  const cm = (value: number) => length(value, units);
  return (
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
  );
}

/** What is piped along the edge. */
export function BorderWord({ cake, finishing, units }: WordProps) {
  const { now, change } = finishing;
  return (
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
  );
}

/** What is pressed on the sides. */
export function PressWord({ cake, finishing, units }: WordProps) {
  const { now, change } = finishing;
  return (
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
  );
}

/** What is on top of small cakes. */
export function WellsWord({ finishing, parts }: WordProps & { parts: readonly FinishPart[] }) {
  const { now, change } = finishing;
  // What the kitchen counts, not what is usual elsewhere: no frosting on the card, no swirl.
  const onWells = now.wells ?? (partFor(parts, "swirl") ? "swirl" : "none");
  return (
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
  );
}

/** A shape to carve to, and a hollow. */
export function CarveWord({ cake, finishing, units }: WordProps) {
  const { now, change } = finishing;
  return (
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
        onChange={(profile) => change({ carve: profile === "" ? null : { ...now.carve, profile } })}
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
  );
}

function borderName(now: Finishing): string {
  return { rosette: "rosettes", star: "stars", shell: "shells", none: "" }[now.border ?? "none"];
}
