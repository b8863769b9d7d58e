import { Box, Tooltip } from "@mui/material";
import type { SxProps, Theme } from "@mui/material/styles";
import { useEffect, useRef } from "react";
import type { ReactNode } from "react";

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
  sx?: SxProps<Theme>;
}

/**
 * A number with where it comes from: given stands upright, measured is underlined, worked out is
 * plain, assumed is dotted. It flashes once, softly, when it changes.
 */
export function Figure({ children, from, sx }: FigureProps) {
  const ref = useFlash(children);
  const figure = (
    <Box
      component="span"
      ref={ref}
      data-origin={from?.origin}
      tabIndex={from?.origin === "assumed" ? 0 : undefined}
      sx={
        [
          { borderRadius: 0.5, whiteSpace: "nowrap" },
          from?.origin === "measured" && { textDecoration: "underline", textUnderlineOffset: 3 },
          from?.origin === "assumed" && {
            textDecoration: "underline dotted",
            textUnderlineOffset: 3,
            cursor: "help",
          },
          ...(Array.isArray(sx) ? (sx as SxProps<Theme>[]) : [sx]),
        ] as SxProps<Theme>
      }
    >
      {children}
    </Box>
  );
  return from ? <Tooltip title={<Origin from={from} />}>{figure}</Tooltip> : figure;
}

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

function useFlash(text: string) {
  const ref = useRef<HTMLElement>(null);
  const last = useRef(text);
  useEffect(() => {
    if (last.current === text) return;
    last.current = text;
    const element = ref.current;
    if (!element || window.matchMedia("(prefers-reduced-motion: reduce)").matches) return;
    element.animate(
      [{ backgroundColor: "var(--mui-palette-bench-butter)" }, { backgroundColor: "transparent" }],
      { duration: 700, easing: "ease-out" },
    );
  }, [text]);
  return ref;
}
