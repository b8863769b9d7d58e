/** How the kitchen reads hours and days, like a language: set once it has answered. */
export const reads = { hour: "HH:mm", day: "d LLLL" };

/** Read hours and days by a kitchen's habits: 14:30 or 2:30 pm, 20 March or March 20. */
export function readAs(kitchen: { clock: "24" | "12"; units: "metric" | "us" | "both" }): void {
  reads.hour = kitchen.clock === "12" ? "h:mm a" : "HH:mm";
  reads.day = kitchen.units === "us" ? "LLLL d" : "d LLLL";
}
