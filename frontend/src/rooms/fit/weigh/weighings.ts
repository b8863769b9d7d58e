import type { Fit, FitLine, FitMix } from "../../../api/client";
import { linesByComponent } from "../shared/components";

export interface Weighing {
  key: string;
  /** The line, and the part of its split. */
  line: number;
  part: string;
  name: string;
  lead: string;
  second: string | null;
  from: FitLine["origins"][string] | undefined;
}

export interface WeighGroup {
  title: string | null;
  weighings: Weighing[];
}

/** Lines that do not go into the mixing bowl. */
export function restOf(fit: Fit): FitLine[] {
  const mixed = new Set(fit.mixes.flatMap((mix) => mix.lines.map((line) => line.id)));
  return fit.lines.filter((line) => line.included && !mixed.has(line.id));
}

export function groupsOf(lines: readonly FitLine[]): WeighGroup[] {
  const groups = linesByComponent(lines);
  return groups.map((group) => ({
    title: groups.length > 1 ? group.title : null,
    weighings: group.lines.flatMap(weighings),
  }));
}

/** What there is to weigh for one mix; ticks of different mixes are kept apart. */
export function mixWeighings(mix: FitMix, fit: Fit, place: number): Weighing[] {
  const from = new Map(fit.lines.map((line) => [line.id, line.origins.g]));
  return mix.lines.flatMap((line) => {
    const origin = from.get(line.id);
    const key = `mix${String(place)}/${String(line.id)}`;
    if (line.parts.length > 0) {
      return line.parts.map((part) => ({
        key: `${key}/${part.name}`,
        line: line.id,
        part: part.name,
        name: `${line.name}, ${part.name}`,
        lead: part.shown,
        second: `of ${line.shown_g ?? ""}`,
        from: origin,
      }));
    }
    const lead = line.measure_leads ? line.shown_measure : (line.shown_g ?? line.shown_measure);
    return [
      {
        key,
        line: line.id,
        part: "",
        name: line.name,
        lead: lead ?? "",
        second: line.measure_leads ? line.shown_g : line.shown_measure,
        from: origin,
      },
    ];
  });
}

/** What there is to weigh for a line: itself, or each part of its split. */
function weighings(line: FitLine): Weighing[] {
  if (line.parts.length > 0) {
    return line.parts.map((part) => ({
      key: `${String(line.id)}/${part.name}`,
      line: line.id,
      part: part.name,
      name: `${line.name}, ${part.name}`,
      lead: part.shown,
      second: `of ${line.shown}`,
      from: line.origins.g,
    }));
  }
  const lead = line.measure_leads ? line.shown_measure : (line.shown_g ?? line.shown_measure);
  return [
    {
      key: String(line.id),
      line: line.id,
      part: "",
      name: line.name,
      lead: lead ?? line.shown,
      second: line.measure_leads ? line.shown_g : line.shown_measure,
      from: line.origins.g,
    },
  ];
}

const TITLE_SIGNS = 56;

/** What is weighed, grouped by the step it goes in at; what no step names stays as on the card. */
export function byMethod(groups: readonly WeighGroup[], fit: Fit): WeighGroup[] {
  const at = new Map(
    fit.method.bench.map((one) => [`${String(one.line)}/${one.part}`, one.step] as const),
  );
  const stepOf = (one: Weighing) => at.get(`${String(one.line)}/${one.part}`);
  const all = groups.flatMap((group) => group.weighings);
  const steps = fit.steps.map((step, place) => ({
    title: `Step ${String(place + 1)}: ${shortened(step.words.map((one) => one.text).join(""))}`,
    weighings: all.filter((one) => stepOf(one) === step.key),
  }));
  const rest = groups.map((group) => ({
    title: group.title ?? "No step names it",
    weighings: group.weighings.filter((one) => stepOf(one) === undefined),
  }));
  return [...steps, ...rest].filter((group) => group.weighings.length > 0);
}

function shortened(text: string): string {
  return text.length <= TITLE_SIGNS
    ? text
    : `${text.slice(0, text.lastIndexOf(" ", TITLE_SIGNS))} …`;
}
