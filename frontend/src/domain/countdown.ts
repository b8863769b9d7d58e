/** Time left in words that are read from afar: 1:35, 12:00, 1 h 08; below zero how long it is over. */
export function countdown(ms: number): string {
  const over = ms < 0;
  const seconds = Math.floor(Math.abs(ms) / 1000);
  const minutes = Math.floor(seconds / 60);
  const words =
    minutes < 60
      ? `${String(minutes)}:${String(seconds % 60).padStart(2, "0")}`
      : `${String(Math.floor(minutes / 60))} h ${String(minutes % 60).padStart(2, "0")}`;
  return over && seconds > 0 ? `over by ${words}` : words;
}

/** Minutes late or early in words; nothing where it is neither. */
export function lateWords(minutes: number): string {
  if (Math.abs(minutes) < 5) return "on time";
  const shown = Math.abs(minutes);
  const words =
    shown < 60
      ? `${String(shown)} min`
      : `${String(Math.floor(shown / 60))} h ${String(shown % 60).padStart(2, "0")}`;
  return `${words} ${minutes > 0 ? "late" : "ahead"}`;
}
