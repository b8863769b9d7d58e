import type { RackPan } from "../../api/client";
import type { TypedPan } from "../../pans/form/TypedPan";

export type WholeMeasures = NonNullable<
  React.ComponentProps<typeof TypedPan>["initial"]
>["measures"];

/** The kitchen always sends every measure. */
export const wholeMeasures = (pan: RackPan) => pan.measures as WholeMeasures;
