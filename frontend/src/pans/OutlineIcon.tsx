import type { RackPan } from "../api/client";

type OutlineName = RackPan["outline"];

/** Our own small drawings of pan outlines, seen from above; half a ball from the side. */
const SHAPES: Record<OutlineName, string> = {
  round: "M12 3a9 9 0 100 18 9 9 0 000-18z",
  square: "M4 4h16v16H4z",
  rectangle: "M2 6h20v12H2z",
  loaf: "M2 8h20v8H2zM4 10h16v4H4z",
  oval: "M12 5c5.5 0 10 3 10 7s-4.5 7-10 7S2 16 2 12s4.500-7 10-7z",
  heart: "M12 21L4.200 12.800a4.800 4.800 0 117.800-5.600 4.800 4.800 0 117.800 5.600z",
  polygon: "M7 3.500h10L22 12l-5 8.500H7L2 12z",
  petal: "M8 7a4 4 0 018 0 4 4 0 014 7 4 4 0 01-6 5 4 4 0 01-6-1 4 4 0 01-4-6 4 4 0 014-5z",
  ring: "M12 3a9 9 0 100 18 9 9 0 000-18zM12 9a3 3 0 100 6 3 3 0 000-6z",
  wells:
    "M7 3.500a3.500 3.500 0 100 7 3.500 3.500 0 000-7zM17 3.500a3.500 3.500 0 100 7 3.500 3.500 0 000-7z" +
    "M7 13.500a3.500 3.500 0 100 7 3.500 3.500 0 000-7zM17 13.500a3.500 3.500 0 100 7 3.500 3.500 0 000-7z",
  half_moon: "M2 16h20a10 10 0 00-20 0z",
  half_ball: "M3 7h18a9 9 0 01-18 0z",
  drawn: "M5 5l9-2 6 6-3 4 3 6-8 2-8-4 3-5z",
};

export function OutlineIcon({ outline, size = 24 }: { outline: OutlineName; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      <path
        d={SHAPES[outline]}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.8"
        strokeLinejoin="round"
      />
    </svg>
  );
}
