import { Box } from "@mui/material";
import type { Theme } from "@mui/material/styles";
import type { SystemStyleObject } from "@mui/system";

import type { DeskLine } from "../../api/client";

type Mark = DeskLine["marks"][number];

const WORDS: Record<Mark["kind"], string> = {
  amount: "amount",
  unit: "unit",
  ingredient: "ingredient",
  note: "note",
};

const LOOKS: Record<Mark["kind"], SystemStyleObject<Theme>> = {
  amount: { fontWeight: 750 },
  unit: { fontWeight: 750, color: "bench.crust" },
  ingredient: { borderBottom: "2px solid", borderColor: "bench.rim" },
  note: { fontStyle: "italic", color: "text.secondary" },
};

/** A line as written, with what was read marked in place: by weight, underline and slant. */
export function MarkedText(props: {
  text: string;
  marks: readonly Mark[];
  /** Whether the table knows the ingredient; one it does not know is dashed. */
  known?: boolean;
}) {
  const { text, marks, known = true } = props;
  const pieces: { text: string; kind: Mark["kind"] | null; at: number }[] = [];
  let place = 0;
  for (const mark of [...marks].sort((a, b) => a.start - b.start)) {
    if (mark.start < place || mark.end > text.length) continue;
    // Space around a mark stays outside it, so that no underline hangs over.
    const words = text.slice(mark.start, mark.end);
    const start = mark.start + (words.length - words.trimStart().length);
    const end = mark.end - (words.length - words.trimEnd().length);
    if (start > place) pieces.push({ text: text.slice(place, start), kind: null, at: place });
    if (end > start) pieces.push({ text: text.slice(start, end), kind: mark.kind, at: start });
    place = Math.max(place, end);
  }
  if (place < text.length) pieces.push({ text: text.slice(place), kind: null, at: place });
  return (
    <>
      {pieces.map((piece) =>
        piece.kind === null ? (
          <span key={piece.at}>{piece.text}</span>
        ) : (
          <Box
            component="span"
            key={piece.at}
            data-mark={piece.kind}
            title={piece.kind === "ingredient" && !known ? "not known yet" : WORDS[piece.kind]}
            sx={[
              LOOKS[piece.kind],
              piece.kind === "ingredient" && !known && { borderBottomStyle: "dashed" },
            ]}
          >
            {piece.text}
          </Box>
        ),
      )}
    </>
  );
}
