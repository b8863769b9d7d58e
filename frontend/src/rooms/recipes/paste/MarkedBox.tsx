import { Box, InputBase } from "@mui/material";
import type { Theme } from "@mui/material/styles";
import type { SystemStyleObject } from "@mui/system";
import { useDeferredValue, useMemo } from "react";

import type { LedgerEntry, MarkRole, TextMark } from "../../../api/client";
import { stretches } from "./told";

const LOOKS: Partial<Record<MarkRole, SystemStyleObject<Theme>>> = {
  line: { borderBottom: "2px solid", borderColor: "bench.rim" },
  title: { bgcolor: "action.selected" },
  heading: { bgcolor: "action.selected" },
  pan: { bgcolor: "bench.markPan" },
  oven: { bgcolor: "bench.markOven" },
  time: { bgcolor: "bench.markTime" },
  serves: { bgcolor: "bench.markServes" },
};

const ASKED: SystemStyleObject<Theme> = { borderBottom: "2px dashed", borderColor: "bench.crust" };

interface MarkedPiecesProps {
  text: string;
  marks: readonly TextMark[];
  /** Stretches that are asked about. */
  asked?: readonly LedgerEntry[] | undefined;
}

/** A text with what every stretch was read as marked, and what is asked about dashed. */
export function MarkedPieces({ text, marks, asked }: MarkedPiecesProps) {
  const pieces = useMemo(() => stretches(text, marks, asked), [text, marks, asked]);
  return (
    <>
      {pieces.map((piece) => (
        <Box
          component="span"
          key={piece.at}
          data-role={piece.mark?.kind}
          data-asked={piece.asked || undefined}
          sx={[
            piece.mark?.kind !== "line" && { borderRadius: 0.5 },
            piece.mark?.kind && piece.text.trim() !== "" ? (LOOKS[piece.mark.kind] ?? {}) : {},
            piece.asked && ASKED,
          ]}
        >
          {piece.text}
        </Box>
      ))}
    </>
  );
}

interface MarkedBoxProps {
  text: string;
  placeholder: string;
  marks: readonly TextMark[];
  /** Stretches that are asked about. */
  asked?: readonly LedgerEntry[];
  onChange: (text: string) => void;
  onCaret: (place: number) => void;
  onTooLong: (signs: number) => boolean;
}

/** The text as it was pasted, to type in, with what every stretch was read as marked behind it. */
export function MarkedBox(props: MarkedBoxProps) {
  const { text, marks, asked } = props;
  const shown = useDeferredValue(text);
  return (
    <Box sx={{ position: "relative" }}>
      <Box
        aria-hidden
        sx={(t) => ({
          ...t.typography.body1,
          position: "absolute",
          inset: 0,
          p: 2.5,
          fontSize: "size.read",
          lineHeight: 1.5,
          whiteSpace: "pre-wrap",
          overflowWrap: "break-word",
          color: "transparent",
          pointerEvents: "none",
        })}
      >
        <MarkedPieces text={shown} marks={marks} asked={asked} />
      </Box>
      <InputBase
        multiline
        autoFocus
        fullWidth
        value={text}
        onChange={(event) => props.onChange(event.target.value)}
        onSelect={(event) => props.onCaret((event.target as HTMLTextAreaElement).selectionStart)}
        onPaste={(event) => {
          if (props.onTooLong(event.clipboardData.getData("text").length)) event.preventDefault();
        }}
        placeholder={props.placeholder}
        inputProps={{ "aria-label": "Recipe text", spellCheck: false }}
        sx={(t) => ({
          ...t.typography.body1,
          alignItems: "flex-start",
          p: 2.5,
          fontSize: "size.read",
          lineHeight: 1.5,
          "& textarea": { minHeight: 120, lineHeight: "inherit" },
        })}
      />
    </Box>
  );
}
