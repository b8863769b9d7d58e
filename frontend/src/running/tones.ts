/** Sounds made here, no files: two tones for a call, one near a weight, one at it. */
let context: AudioContext | null = null;

/** Let sound be: a browser gives it only after a touch. */
export function wakeSound(): void {
  if (typeof AudioContext === "undefined") return;
  context ??= new AudioContext();
  void context.resume();
}

function beep(hertz: number, after: number, seconds: number): void {
  if (context?.state !== "running") return;
  const tone = context.createOscillator();
  const loud = context.createGain();
  const start = context.currentTime + after;
  tone.frequency.value = hertz;
  loud.gain.setValueAtTime(0.0001, start);
  loud.gain.exponentialRampToValueAtTime(0.4, start + 0.02);
  loud.gain.exponentialRampToValueAtTime(0.0001, start + seconds);
  tone.connect(loud).connect(context.destination);
  tone.start(start);
  tone.stop(start + seconds);
}

/** A call; marked on the browser's own time line, so that a test hears it too. */
export function call(key: string, loud: boolean): void {
  performance.mark(`call ${key}`);
  const times = loud ? [0, 0.35, 0.7, 1.05] : [0, 0.4];
  for (const [place, after] of times.entries()) beep(place % 2 ? 880 : 660, after, 0.3);
}

export const near = () => beep(520, 0, 0.12);
export const there = () => beep(1040, 0, 0.25);
