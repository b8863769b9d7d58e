import { Box, Button, Typography } from "@mui/material";

import { MARK_ROLE } from "../../../api/bounds";
import type { MarkRole, TextMark } from "../../../api/client";
import { shortened } from "./told";

const WORDS: Record<MarkRole, string> = {
  title: "the title",
  serves: "how many it serves",
  heading: "a heading",
  line: "an ingredient line",
  step: "a step",
  note: "nothing to read",
  pan: "the pan",
  oven: "the oven",
  time: "the time",
  right: "right as it is read",
};

interface MarkBarProps {
  text: string;
  mark: TextMark | null;
  told: boolean;
  onTell: (kind: MarkRole) => void;
  onForget: () => void;
}

/** What the stretch at the caret was read as, and what else it can be said to be. */
export function MarkBar({ text, mark, told, onTell, onForget }: MarkBarProps) {
  if (mark === null) return null;
  const words = shortened(text.slice(mark.start, mark.end), 60);
  return (
    <Box
      component="section"
      aria-label="What the marked words are"
      sx={{ borderTop: 1, borderColor: "divider", px: 2.5, py: 1, bgcolor: "background.paper" }}
    >
      <Typography sx={{ mb: 0.5 }}>
        “{words}” {told ? "is" : "is read as"} <b>{WORDS[mark.kind]}</b>
        {mark.why ? ` (${mark.why})` : ""}. It is …
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75 }}>
        {MARK_ROLE.filter((kind) => kind !== mark.kind && kind !== "right").map((kind) => (
          <Button key={kind} size="small" variant="outlined" onClick={() => onTell(kind)}>
            {kind === "note" ? "leave it" : WORDS[kind]}
          </Button>
        ))}
        {told && (
          <Button size="small" onClick={onForget}>
            Read it anew
          </Button>
        )}
      </Box>
    </Box>
  );
}
