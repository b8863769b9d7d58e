import type { PanMeasures } from "../../api/client";

export type OutlineName = PanMeasures["outline"];
export type LengthField =
  "across" | "width" | "tube" | "wall_cm" | "rim_across" | "rim_width" | "rim_tube" | "corner";

type Field = readonly [LengthField, string];

const ACROSS = ["across", "Across"] as const;
const RIM = ["rim_across", "Across at the rim"] as const;

/** The outlines of a pan, and the lengths that say each. */
export const OUTLINES: readonly { value: OutlineName; label: string; fields: readonly Field[] }[] =
  [
    {
      value: "round",
      label: "Round",
      fields: [
        ["across", "Diameter"],
        ["rim_across", "Rim, if wider"],
      ],
    },
    {
      value: "square",
      label: "Square",
      fields: [
        ["across", "Side"],
        ["corner", "Corner radius"],
        ["rim_across", "Side at the rim"],
      ],
    },
    {
      value: "rectangle",
      label: "Rectangle",
      fields: [
        ["across", "Length"],
        ["width", "Width"],
        ["corner", "Corner radius"],
        ["rim_across", "Rim length"],
        ["rim_width", "Rim width"],
      ],
    },
    {
      value: "loaf",
      label: "Loaf",
      fields: [
        ["across", "Base length"],
        ["width", "Base width"],
        ["rim_across", "Rim length"],
        ["rim_width", "Rim width"],
      ],
    },
    {
      value: "ring",
      label: "Ring",
      fields: [
        ["across", "Outer diameter"],
        ["tube", "Tube"],
        ["rim_across", "Rim, if wider"],
        ["rim_tube", "Tube at the rim"],
      ],
    },
    {
      value: "wells",
      label: "Wells",
      fields: [
        ["across", "Well base"],
        ["rim_across", "Well rim"],
      ],
    },
    {
      value: "oval",
      label: "Oval",
      fields: [
        ["across", "Length"],
        ["width", "Width"],
        ["rim_across", "Rim length"],
        ["rim_width", "Rim width"],
      ],
    },
    { value: "heart", label: "Heart", fields: [ACROSS, RIM] },
    { value: "polygon", label: "Polygon", fields: [["across", "Side to side"], RIM] },
    { value: "petal", label: "Petal", fields: [ACROSS, RIM] },
    { value: "half_moon", label: "Half moon", fields: [["across", "Straight side"], RIM] },
    { value: "half_ball", label: "Half ball", fields: [["across", "Diameter"]] },
    { value: "drawn", label: "Drawn", fields: [["across", "Width"], RIM] },
  ];

/** Outlines that dough can be patted out to. */
export const PATTED: readonly OutlineName[] = [
  "round",
  "square",
  "rectangle",
  "oval",
  "heart",
  "polygon",
  "petal",
  "half_moon",
  "drawn",
];

/** Outlines counted in sides or petals. */
export const SIDED: readonly OutlineName[] = ["polygon", "petal"];
/** What stands in the field at first; the baker sees and can change it. */
export const USUAL_WELLS = "12";
export const usualSides = (outline: OutlineName) => (outline === "petal" ? "8" : "6");

/** Dough has no rim. */
export function fieldsOf(fields: readonly Field[], patted: boolean): readonly Field[] {
  return patted ? fields.filter(([field]) => !field.startsWith("rim_")) : fields;
}
