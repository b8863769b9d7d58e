/** Times on the kitchen's clock: read, written and told in its zone. */

const DAY_MS = 86_400_000;

function partsOf(moment: Date, zone: string): Record<string, number> {
  const told = new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    year: "numeric",
    month: "2-digit",
    day: "2-digit",
    hour: "2-digit",
    minute: "2-digit",
    hourCycle: "h23",
  }).formatToParts(moment);
  return Object.fromEntries(told.map((one) => [one.type, Number(one.value)]));
}

const two = (value: number) => String(value).padStart(2, "0");

/** A moment as a date and time field holds it: 2027-03-20T10:00. */
export function fieldOf(moment: string | Date, zone: string): string {
  const { year = 0, month = 0, day = 0, hour = 0, minute = 0 } = partsOf(new Date(moment), zone);
  return `${String(year)}-${two(month)}-${two(day)}T${two(hour)}:${two(minute)}`;
}

/** What a date and time field holds, as a moment; null where it is none. */
export function momentOf(field: string, zone: string): string | null {
  const guess = new Date(`${field}:00Z`);
  if (!/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(field) || Number.isNaN(guess.getTime())) return null;
  // The clock's distance from UTC, found twice: it may change between the guess and the moment.
  let moment = guess.getTime();
  for (let i = 0; i < 2; i += 1) {
    const shown = new Date(`${fieldOf(new Date(moment), zone)}:00Z`).getTime();
    moment += guess.getTime() - shown;
  }
  return new Date(moment).toISOString();
}

/** The day of a moment on the kitchen's clock: 2027-03-20. */
export function dayOf(moment: string | Date, zone: string): string {
  return fieldOf(moment, zone).slice(0, 10);
}

/** Hours and minutes on the kitchen's clock: 10:00. */
export function timeOf(moment: string | Date, zone: string): string {
  return fieldOf(moment, zone).slice(11);
}

/** A moment in words: Sat 20 March, 10:00. */
export function momentWords(moment: string | Date, zone: string): string {
  const day = new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    weekday: "short",
    day: "numeric",
    month: "long",
  }).format(new Date(moment));
  return `${day}, ${timeOf(moment, zone)}`;
}

/** So many days from a day on, each as 2027-03-20. */
export function daysFrom(day: string, count: number): string[] {
  const start = new Date(`${day}T00:00:00Z`).getTime();
  return Array.from({ length: count }, (_, i) =>
    new Date(start + i * DAY_MS).toISOString().slice(0, 10),
  );
}

/** The Monday of a day's week. */
export function mondayOf(day: string): string {
  const date = new Date(`${day}T00:00:00Z`);
  return new Date(date.getTime() - ((date.getUTCDay() + 6) % 7) * DAY_MS)
    .toISOString()
    .slice(0, 10);
}

/** A day in words: Sat 20. */
export function dayWords(day: string, long = false): string {
  return new Intl.DateTimeFormat("en-GB", {
    timeZone: "UTC",
    weekday: long ? "long" : "short",
    day: "numeric",
    ...(long ? { month: "long" } : {}),
  }).format(new Date(`${day}T00:00:00Z`));
}
