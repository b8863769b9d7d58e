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
export type RecipeList = Schemas["RecipeListOut"];
export type Provenance = Schemas["ProvenanceOut"];
export type KeptRow = Schemas["FitRowOut"];
export type Problem = Schemas["ProblemOut"];

/** A type of which the kitchen always sends every field. */
type Whole<T> = T extends readonly (infer One)[]
  ? Whole<One>[]
  : T extends object
    ? { [Name in keyof T]-?: Whole<Exclude<T[Name], undefined>> }
    : T;

export type Card = Whole<Schemas["Card"]>;
export type CardLine = Card["lines"][number];
export type CardComponent = Card["components"][number];
export type CardPan = Card["pans"][number];
export type CardStep = Card["steps"][number];
export type CardVariant = Card["variants"][number];
export type CardSwap = CardVariant["swaps"][number];
export type CardPhase = Card["phases"][number];
export type ComponentName = Schemas["Component"];
export type ScalesBy = Schemas["ScalesBy"];
export type Desk = Schemas["DeskOut"];
export type DeskLine = Schemas["DeskLineOut"];
export type DeskStep = Schemas["DeskStepOut"];
export type Question = Schemas["QuestionOut"];
export type Hole = Schemas["HoleOut"];
export type Ratio = Schemas["RatioOut"];
export type Offer = Schemas["OfferOut"];
export type SwapPreview = Schemas["SwapOut"];
export type Ingredient = Schemas["IngredientOut"];
export type Role = Schemas["Role"];
export type Aim = Schemas["Aim"];
export type Revision = Schemas["RevisionOut"];
export type Difference = Schemas["DifferenceOut"];
export type ExportFormat = Schemas["Format"];
export type ExportedFile = Schemas["ExportOut"];
export type FitStep = Schemas["FitStepOut"];
export type FitMix = Schemas["MixOut"];
export type FitShare = Schemas["ShareOut"];
export type Lining = Schemas["LiningOut"];
export type SetOffer = Schemas["SetOut"];
export type Comparison = Schemas["CompareOut"];
export type Bowl = Schemas["BowlOut"];
export type BowlTyped = Schemas["BowlIn"];
export type Kitchen = Schemas["KitchenOut"];
export type KitchenTyped = Schemas["KitchenIn"];
export type OvenTyped = Schemas["OvenIn"];
export type OvenKind = Schemas["OvenKind"];
export type DialScale = Schemas["Scale"];
export type OvenView = Schemas["OvenViewOut"];
export type PanCard = Schemas["PanCardOut"];
export type CardCaution = Schemas["CardCautionOut"];
export type Placed = Schemas["PlacedOut"];
export type Curves = Schemas["CurvesOut"];
export type Curve = Schemas["CurveOut"];
export type Took = Schemas["TookOut"];

export const client = createClient<paths>({
  baseUrl: window.location.origin,
  // Looked up at each call, so that what wraps the browser's own fetch later is used.
  fetch: async (request) => {
    try {
      return await globalThis.fetch(request);
    } catch (error) {
      // A request that was called off is no answer at all; the query that asked knows.
      if (request.signal.aborted) throw error;
      throw new KitchenProblem(undefined);
    }
  },
});

/** An answer of the kitchen that is an error, with its problem where it sent one. */
export class KitchenProblem extends Error {
  readonly problem: Problem | undefined;

  constructor(problem: Problem | undefined) {
    super(
      problem?.detail ??
        "The kitchen does not answer. Is Entremet still running? What you typed is still here; nothing was kept.",
    );
    this.problem = problem;
  }

  /** Whether the same thing was saved elsewhere in between. */
  get meanwhile(): boolean {
    return this.problem?.code === "edited_meanwhile";
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
