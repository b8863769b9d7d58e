import { Paper, Popper } from "@mui/material";
import { styled } from "@mui/material/styles";
import { useEffect, useId, useRef, useState } from "react";
import type { ReactNode, SyntheticEvent } from "react";

import type { Provenance } from "../api/client";

const ORIGIN_WORDS = {
  given: "Given",
  measured: "Measured",
  worked_out: "Worked out",
  assumed: "Assumed",
} as const satisfies Record<Provenance["origin"], string>;

interface FigureProps {
  /** The number as it reads. */
  children: string;
  /** Where it comes from; nothing is marked while the kitchen does not say. */
  from?: Provenance | undefined;
  /** Whether it may stand on several lines, where it is long. */
  wraps?: boolean;
}

/**
 * A number with where it comes from: given stands upright, measured is underlined, worked out is
 * plain, assumed is dotted. It flashes once, softly, when it changes.
 */
export function Figure({ children, from, wraps = false }: FigureProps) {
  const ref = useFlash(children);
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const open = anchor !== null;
  const id = useId();
  const show = from
    ? (event: SyntheticEvent<HTMLElement>) => setAnchor(event.currentTarget)
    : undefined;
  const hide = from ? () => setAnchor(null) : undefined;
  return (
    <>
      <Mark
        ref={ref}
        data-origin={from?.origin}
        data-wraps={wraps || undefined}
        tabIndex={from?.origin === "assumed" ? 0 : undefined}
        aria-describedby={open ? id : undefined}
        onMouseEnter={show}
        onMouseLeave={hide}
        onFocus={show}
        onBlur={hide}
        onKeyDown={open ? (event) => event.key === "Escape" && setAnchor(null) : undefined}
      >
        {children}
      </Mark>
      {open && from && (
        // Mounted only while it is read: a card holds some fifty figures.
        <Popper
          id={id}
          open
          anchorEl={anchor}
          placement="top"
          style={{ zIndex: 1500, pointerEvents: "none" }}
        >
          <Paper
            elevation={4}
            sx={{
              p: 1,
              m: 0.5,
              maxWidth: 320,
              fontSize: "size.small",
              border: 1,
              borderColor: "divider",
            }}
          >
            <Origin from={from} />
          </Paper>
        </Popper>
      )}
    </>
  );
}

/** One style for all figures: a card holds some fifty. */
const Mark = styled("span")({
  borderRadius: 4,
  whiteSpace: "nowrap",
  "&[data-wraps]": { whiteSpace: "normal" },
  "&[data-origin=measured]": { textDecoration: "underline", textUnderlineOffset: 3 },
  "&[data-origin=assumed]": {
    textDecoration: "underline dotted",
    textUnderlineOffset: 3,
    cursor: "help",
  },
});

function Origin({ from }: { from: Provenance }): ReactNode {
  return (
    <>
      <strong>{ORIGIN_WORDS[from.origin]}</strong>: {from.note}
      {from.assumptions
        .filter((assumption) => assumption !== from.note)
        .map((assumption) => (
          <div key={assumption}>Rests on: {assumption}.</div>
        ))}
    </>
  );
}

const FLASH_MS = 700;
/** Figures that change within so short a while belong to one answer. */
const ONE_ANSWER_MS = 60;
let answered = -Infinity;
let flashes = true;

/** Whether a change flashes: not while counts are stepped quickly, when a flash would chase the next. */
export function mayFlash(now: number): boolean {
  if (now - answered > ONE_ANSWER_MS) {
    flashes = now - answered > FLASH_MS;
    answered = now;
  }
  return flashes;
}

function useFlash(text: string) {
  const ref = useRef<HTMLElement>(null);
  const last = useRef(text);
  useEffect(() => {
    if (last.current === text) return;
    last.current = text;
    const element = ref.current;
    if (
      !element ||
      !mayFlash(performance.now()) ||
      window.matchMedia("(prefers-reduced-motion: reduce)").matches
    )
      return;
    element.animate(
      [
        { backgroundColor: "var(--mui-palette-bench-butterTint)" },
        { backgroundColor: "transparent" },
      ],
      { duration: FLASH_MS, easing: "ease-out" },
    );
  }, [text]);
  return ref;
}
