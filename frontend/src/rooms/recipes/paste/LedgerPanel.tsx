import { Box, Button, Typography } from "@mui/material";

import type { LedgerEntry, MarkRole, TextMark } from "../../../api/client";
import { TickIcon } from "../../../ui/icons";
import { AskedRow } from "../AskedRow";
import { shortened } from "./told";

/** What of a ledger is asked about. */
export function openOf(ledger: readonly LedgerEntry[]): readonly LedgerEntry[] {
  return ledger.filter((one) => one.account === "open");
}

const ANSWERS: Partial<Record<MarkRole, string>> = {
  right: "It is right as read",
  line: "An ingredient line",
  pan: "The pan",
  oven: "The oven",
  time: "The bake time",
  serves: "How many it serves",
  note: "Nothing to read",
};

interface LedgerPanelProps {
  text: string;
  ledger: readonly LedgerEntry[];
  marks: readonly TextMark[];
  /** Lines of which nothing could be read; they are asked about on the desk. */
  unread: number;
  tell: (stretch: { start: number; end: number }, kind: MarkRole) => void;
}

/** The ledger of a reading: what is asked, and what was set aside and why; nothing in silence. */
export function LedgerPanel({ text, ledger, marks, unread, tell }: LedgerPanelProps) {
  const open = openOf(ledger);
  return (
    <Box component="section" aria-label="What was read" sx={{ mt: 1.5 }}>
      {open.length === 0 && unread > 0 ? (
        <Typography>
          Every number of the text is on the card or set aside below;{" "}
          {unread === 1 ? "one line is not read" : `${String(unread)} lines are not read`} and asked
          about on the desk.
        </Typography>
      ) : open.length === 0 ? (
        <Typography sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
          <TickIcon fontSize="small" /> Nothing is unread: every number of the text is on the card
          or set aside below.
        </Typography>
      ) : (
        <Typography component="h2" sx={{ fontWeight: 700, mb: 0.5 }}>
          {open.length === 1 ? "One thing is asked" : `${String(open.length)} things are asked`}
        </Typography>
      )}
      {open.map((one) => (
        <AskedRow key={`${String(one.start)}-${one.why}`} text={one.why}>
          {one.answers.map((kind) => (
            <Button key={kind} size="small" variant="outlined" onClick={() => tell(one, kind)}>
              {ANSWERS[kind] ?? kind}
            </Button>
          ))}
        </AskedRow>
      ))}
      <SetAside text={text} marks={marks} />
    </Box>
  );
}

/** Rows that are no part of the recipe, by the reason they were set aside for. */
function SetAside({ text, marks }: Pick<LedgerPanelProps, "text" | "marks">) {
  const rows = marks.filter((one) => one.why !== "");
  if (rows.length === 0) return null;
  const reasons = [...new Set(rows.map((one) => one.why))];
  return (
    <Box component="details" sx={{ mt: 0.75 }}>
      <Box component="summary" sx={{ cursor: "pointer", fontWeight: 650, minHeight: 32 }}>
        Set aside: {reasons.join(", ")}
      </Box>
      {rows.map((one) => (
        <Typography key={`${String(one.start)}-${one.why}`} sx={{ py: 0.25, lineHeight: 1.3 }}>
          <Box component="span" sx={{ color: "text.secondary" }}>
            {one.why}:
          </Box>{" "}
          {shortened(text.slice(one.start, one.end), 90)}
        </Typography>
      ))}
    </Box>
  );
}
