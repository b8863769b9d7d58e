/** Times on the kitchen's clock: read, written and told in its zone, as it reads them. */
import { DateTime } from "luxon";

import { reads } from "./reads";

/** Luxon writes AM and PM in capitals in English. */
const told = (at: DateTime, format: string) =>
  at.toFormat(format).replace(/\b(AM|PM)\b/, (half) => half.toLowerCase());

const FIELD = "yyyy-MM-dd'T'HH:mm";
const DAY = "yyyy-MM-dd";

function there(moment: string | Date, zone: string): DateTime {
  const at = typeof moment === "string" ? DateTime.fromISO(moment) : DateTime.fromJSDate(moment);
  return at.setZone(zone).setLocale("en-GB");
}

/** A moment as a date and time field holds it: 2027-03-20T10:00. */
export const fieldOf = (moment: string | Date, zone: string) => there(moment, zone).toFormat(FIELD);

/** What a date and time field holds, as a moment; null where it is none. */
export function momentOf(field: string, zone: string): string | null {
  return DateTime.fromFormat(field, FIELD, { zone }).toUTC().toISO();
}

/** The day of a moment on the kitchen's clock: 2027-03-20. */
export const dayOf = (moment: string | Date, zone: string) => there(moment, zone).toFormat(DAY);

/** Hours and minutes on the kitchen's clock: 10:00. */
export const timeOf = (moment: string | Date, zone: string) =>
  told(there(moment, zone), reads.hour);

/** A whole hour on the kitchen's clock, as short as it reads: 14:00, 2 pm. */
export const hourOf = (moment: string | Date, zone: string) =>
  told(there(moment, zone), reads.hour === "HH:mm" ? "HH:mm" : "h a");

/** A moment in words: Sat 20 March, 10:00. */
export const momentWords = (moment: string | Date, zone: string) =>
  told(there(moment, zone), `ccc ${reads.day}, ${reads.hour}`);

/** The day of a moment, as short as it reads: 20 March. */
export const shortDay = (moment: string | Date, zone: string) =>
  there(moment, zone).toFormat(reads.day);

/** A moment with its year: Sat 20 March 2027, 10:00. */
export const yearWords = (moment: string | Date, zone: string) =>
  told(there(moment, zone), `ccc ${reads.day} yyyy, ${reads.hour}`);

/** The clock of the device itself, where nothing is planned by the kitchen's. */
export const HERE = "local";

/** When something is due; with its year where that is not the one of now. */
export const dueWords = (moment: string, zone: string, now: Date = new Date()) =>
  there(moment, zone).year === there(now, zone).year
    ? momentWords(moment, zone)
    : yearWords(moment, zone);

/** A moment by its time, and by its day too where that is not the one of now. */
export const soonWords = (moment: string, now: string, zone: string) =>
  dayOf(moment, zone) === dayOf(now, zone) ? timeOf(moment, zone) : momentWords(moment, zone);

/** From one moment to another; the day once where it is one. */
export const spanWords = (start: string, end: string, zone: string) =>
  dayOf(start, zone) === dayOf(end, zone)
    ? `${momentWords(start, zone)} to ${timeOf(end, zone)}`
    : `${momentWords(start, zone)} to ${momentWords(end, zone)}`;

const day = (text: string) => DateTime.fromFormat(text, DAY, { zone: "UTC", locale: "en-GB" });

/** So many days from a day on, each as 2027-03-20. */
export const daysFrom = (first: string, count: number): string[] =>
  Array.from({ length: count }, (_, i) => day(first).plus({ days: i }).toFormat(DAY));

/** The Monday of a day's week. */
export const mondayOf = (text: string) => day(text).startOf("week").toFormat(DAY);

/** Whether a day is a Saturday. */
export const isSaturday = (text: string) => day(text).weekday === 6;

/** A day in words: Sat 20. */
export const dayWords = (text: string, long = false) =>
  day(text).toFormat(long ? `cccc ${reads.day}` : "ccc d");
