import createClient from "openapi-fetch";

import type { components, paths } from "./api-schema";

type Schemas = components["schemas"];
type Sent<Name extends keyof Schemas> = Whole<Schemas[Name]>;

export type DueStays = NonNullable<Schemas["WorkdayIn"]["due"]>;
export type FitRequest = Schemas["Request"];
export type FitEntry = Schemas["WantedPan"];
export type PanMeasures = Schemas["TypedPan"];
export type PanRule = Schemas["PanRule"];
export type Fit = Sent<"FitOut">;
export type FitLine = Sent<"FitLineOut">;
export type FitPan = Sent<"FitPanOut">;
export type FitBake = Sent<"FitBakeOut">;
export type Finding = Sent<"Finding">;
export type EggOption = Sent<"EggOptionOut">;
export type EggChoice = Schemas["EggChoice"];
export type Rule = Schemas["Rule"];
export type Drawing = Sent<"DrawingOut">;
export type SourcePan = Sent<"SourcePanOut">;
export type RackPan = Sent<"RackPanOut">;
export type Oven = Sent<"OvenOut">;
export type RecipeRow = Sent<"RecipeRowOut">;
export type RecipeList = Sent<"RecipeListOut">;
export type Provenance = Sent<"ProvenanceOut">;
export type KeptRow = Sent<"FitRowOut">;
export type Problem = Sent<"ProblemOut">;
export type Topic = Schemas["Topic"];

export type Label = Sent<"LabelOut">;
export type LabelAsked = Schemas["LabelIn"];
export type LabelRow = Sent<"ListedOut">;
export type Packet = Sent<"PacketOut">;
export type PacketTyped = Schemas["PacketIn"];
export type KitchenCopy = Sent<"CopyOut">;
export type LookedInto = Sent<"LookedOut">;
export type LeftoverRow = Sent<"LeftoverRowOut">;
export type Stands = Schemas["Stands"];
export type LabelHabits = Sent<"LabelHabitsOut">;
export type LabelHabitsTyped = Schemas["LabelHabitsIn"];

/** A type of which the kitchen always sends every field. */
export type Whole<T> = T extends readonly (infer One)[]
  ? Whole<One>[]
  : T extends object
    ? { [Name in keyof T]-?: Whole<Exclude<T[Name], undefined>> }
    : T;

export type Card = Sent<"Card">;
export type CardLine = Card["lines"][number];
export type CardComponent = Card["components"][number];
export type CardPan = Card["pans"][number];
export type CardStep = Card["steps"][number];
export type CardVariant = Card["variants"][number];
export type CardSwap = CardVariant["swaps"][number];
export type CardPhase = Card["phases"][number];
export type ComponentName = Schemas["Component"];
export type ScalesBy = Schemas["ScalesBy"];
export type Desk = Sent<"DeskOut">;
export type Inside = Sent<"InsideOut">;
export type Guess = Sent<"GuessOut">;
export type TurnedNumber = Schemas["Turned"];
export type ClassSheets = Sent<"ClassOut">;
export type GuidePage = Sent<"GuidePageOut">;
export type Book = Sent<"BookOut">;
export type BookAsked = Schemas["BookIn"];
export type DeskLine = Sent<"DeskLineOut">;
export type DeskStep = Sent<"DeskStepOut">;
export type Question = Sent<"QuestionOut">;
export type Hole = Sent<"Hole">;
export type Ratio = Sent<"RatioOut">;
export type Offer = Sent<"OfferOut">;
export type SwapPreview = Sent<"SwapOut">;
export type Ingredient = Sent<"IngredientOut">;
export type Role = Schemas["Role"];
export type Aim = Schemas["Aim"];
export type Revision = Sent<"RevisionOut">;
export type Difference = Sent<"Difference">;
export type ExportFormat = Schemas["Format"];
export type ExportedFile = Sent<"ExportOut">;
export type FitFormat = Sent<"FitFormat">;
export type FitStep = Sent<"ScaledStep">;
export type MethodNotes = Sent<"MethodNotes">;
export type Stage = Sent<"Stage">;
export type FitMix = Sent<"MixOut">;
export type FitShare = Sent<"ShareOut">;
export type Lining = Sent<"Preparation">;
export type SetOffer = Sent<"SetOut">;
export type Comparison = Sent<"CompareOut">;
export type Bowl = Sent<"BowlOut">;
export type BowlTyped = Schemas["BowlIn"];
export type Kitchen = Sent<"KitchenOut">;
export type KitchenTyped = Schemas["KitchenIn"];
export type OvenTyped = Schemas["OvenIn"];
export type OvenKind = Schemas["OvenKind"];
export type DialScale = Schemas["Scale"];
export type OvenView = Sent<"OvenViewOut">;
export type PanCard = Sent<"PanCardOut">;
export type CardCaution = Sent<"CardCaution">;
export type Placed = Sent<"PlacedOut">;
export type Curves = Sent<"CurvesOut">;
export type Curve = Sent<"CurveOut">;
export type Reading = Sent<"ReadOut">;
export type TextMark = Sent<"TextMark">;
export type LedgerEntry = Sent<"LedgerEntry">;
export type CardDoubt = Sent<"CardDoubt">;
export type MarkRole = Schemas["MarkRole"];
export type ToldStretch = Schemas["ToldIn"];
export type PanOffer = Sent<"PanOffer">;
export type ShelfPan = Sent<"ShelfPanOut">;
export type FinishAnswer = Sent<"FinishOut">;
export type OwnFinish = Sent<"OwnFinishOut">;
export type FinishedCake = Sent<"FinishedCakeOut">;
export type CoverLayer = Sent<"CoverLayerOut">;
export type Enlarging = Schemas["EnlargeIn"];
export type FinishPart = Sent<"FinishPartOut">;
export type Finishing = Schemas["Finishing"];
export type Bake = Sent<"BakeOut">;
export type BakeTyped = Schemas["LogBakeIn"];
export type BakeChanged = Schemas["ChangeBakeIn"];
export type Taught = Sent<"TaughtOut">;
export type Lesson = Sent<"LessonOut">;
export type Forgotten = Schemas["ForgetIn"];
export type Order = Sent<"OrderOut">;
export type OrderTyped = Schemas["OrderIn"];
export type OrderCakeTyped = Schemas["OrderCakeIn"];
export type MessageRead = Sent<"MessageOut">;
export type Workday = Sent<"WorkdayOut">;
export type PlanAsked = Schemas["PlanIn"];
export type DayPlan = Sent<"PlanOut">;
export type DayTask = Sent<"TaskOut">;
export type FixTyped = Schemas["FixIn"];
export type Shopping = Sent<"ShoppingOut">;
export type ToBuy = Sent<"ToBuyOut">;
export type OrderCost = Sent<"CostOut">;
export type Day = Sent<"DayOut">;
export type DayStep = Sent<"StepOut">;
export type DayTimer = Sent<"TimerOut">;
export type DayStart = Schemas["StartIn"];
export type DayEvent = Schemas["EventIn"];
export type DayEnd = Schemas["FinishDayIn"];
export type Device = Sent<"DeviceOut">;
export type Heard = Sent<"LatestOut">;
export type Play = Schemas["PlayIn"];

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

/** Turn a client's result into its data, every field sent, or throw what the kitchen said. */
export function answered<T>(result: { data?: T; error?: unknown; response: Response }): Whole<T> {
  if (result.data !== undefined || result.response.ok) return result.data as Whole<T>;
  throw new KitchenProblem(isProblem(result.error) ? result.error : undefined);
}

function isProblem(value: unknown): value is Problem {
  return typeof value === "object" && value !== null && "detail" in value && "code" in value;
}
