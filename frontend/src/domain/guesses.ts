/** What is kept of guesses, in this browser alone: counts, and nothing else. */
export interface Guesses {
  asked: number;
  right: number;
  /** Right ones in a row. */
  row: number;
  /** How often each tendency was told. */
  tells: Readonly<Record<string, number>>;
}

export const NO_GUESSES: Guesses = { asked: 0, right: 0, row: 0, tells: {} };

const KEPT = "entremet.guesses";
/** A tendency is said from the third time on. */
const OFTEN = 3;

export function guessed(before: Guesses, right: boolean, tells: string): Guesses {
  return {
    asked: before.asked + 1,
    right: before.right + (right ? 1 : 0),
    row: right ? before.row + 1 : 0,
    tells:
      right || tells === ""
        ? before.tells
        : { ...before.tells, [tells]: (before.tells[tells] ?? 0) + 1 },
  };
}

/** What somebody tends to misjudge, the most often first. */
export function tendencies(kept: Guesses): string[] {
  return Object.entries(kept.tells)
    .filter(([, times]) => times >= OFTEN)
    .sort(([, one], [, other]) => other - one)
    .map(([words, times]) => `${words} (${String(times)} times)`);
}

export function keptGuesses(): Guesses {
  try {
    const found = JSON.parse(localStorage.getItem(KEPT) ?? "null") as Partial<Guesses> | null;
    if (found && Number.isInteger(found.asked)) return { ...NO_GUESSES, ...found };
  } catch {
    // What cannot be read any more is begun anew.
  }
  return NO_GUESSES;
}

export function keepGuesses(now: Guesses): void {
  localStorage.setItem(KEPT, JSON.stringify(now));
}
