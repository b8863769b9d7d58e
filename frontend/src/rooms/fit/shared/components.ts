import type { ComponentName, FitLine } from "../../../api/client";

export const COMPONENT_TITLES: Record<ComponentName, string> = {
  batter: "Batter",
  inclusion: "To fold in",
  base_layer: "Base layer, in the pan first",
  top_layer: "Layer on top of the batter",
  soak: "Soak",
  filling: "Filling",
  frosting: "Frosting",
  glaze: "Glaze",
  coating: "Coating",
  decoration: "Decoration",
  pan: "For the pan",
};

export interface ComponentLines {
  key: string;
  component: ComponentName;
  title: string;
  lines: FitLine[];
}

/** Lines by the part of the cake they belong to, in the order of the card, under its own headings. */
export function linesByComponent(lines: readonly FitLine[]): ComponentLines[] {
  const groups: ComponentLines[] = [];
  for (const line of lines) {
    const key = `${line.component}/${line.heading}`;
    const group = groups.find((one) => one.key === key);
    if (group) group.lines.push(line);
    else {
      groups.push({
        key,
        component: line.component,
        title: line.heading || COMPONENT_TITLES[line.component],
        lines: [line],
      });
    }
  }
  return groups;
}
