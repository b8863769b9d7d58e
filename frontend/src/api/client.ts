import createClient from "openapi-fetch";

import type { components, paths } from "./api-schema";

type Schemas = components["schemas"];

export type FitRequest = Schemas["FitIn"];
export type FitEntry = Schemas["EntryIn"];
export type PanMeasures = Schemas["MeasuresIn"];
export type PanRule = Schemas["PanRuleIn"];
export type Fit = Schemas["FitOut"];
export type FitLine = Schemas["FitLineOut"];
export type FitPan = Schemas["FitPanOut"];
export type FitBake = Schemas["FitBakeOut"];
export type Finding = Schemas["FindingOut"];
export type EggOption = Schemas["EggOptionOut"];
export type EggChoice = Schemas["EggChoice"];
export type Rule = Schemas["Rule"];
export type Drawing = Schemas["DrawingOut"];
export type SourcePan = Schemas["SourcePanOut"];
export type RackPan = Schemas["RackPanOut"];
export type Oven = Schemas["OvenOut"];
export type RecipeRow = Schemas["RecipeRowOut"];
export type Provenance = Schemas["ProvenanceOut"];
export type KeptRow = Schemas["FitRowOut"];
export type Problem = Schemas["ProblemOut"];

export const client = createClient<paths>({ baseUrl: window.location.origin });

/** An answer of the kitchen that is an error, with its problem where it sent one. */
export class KitchenProblem extends Error {
  readonly problem: Problem | undefined;

  constructor(problem: Problem | undefined) {
    super(problem?.detail ?? "The kitchen does not answer. Is Entremet still running?");
    this.problem = problem;
  }
}

/** Turn a client's result into its data, or throw what the kitchen said. */
export function answered<T>(result: { data?: T; error?: unknown; response: Response }): T {
  if (result.data !== undefined) return result.data;
  if (result.response.ok) return undefined as T;
  throw new KitchenProblem(isProblem(result.error) ? result.error : undefined);
}

function isProblem(value: unknown): value is Problem {
  return typeof value === "object" && value !== null && "detail" in value && "code" in value;
}
