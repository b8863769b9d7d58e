import { Box, ButtonBase, InputBase, Typography } from "@mui/material";
import { useState } from "react";

import { LONGEST_LINE } from "../../../../api/bounds";
import type { Card, CardLine, Desk } from "../../../../api/client";
import { Figure } from "../../../../ui/Figure";
import { AskIcon } from "../../../../ui/icons";
import { LineDetail } from "./LineDetail";
import { MarkedText } from "../../MarkedText";
import type { useLineReading } from "./useLineReading";

interface LineRowProps {
  line: CardLine;
  card: Card;
  seen: Desk | null;
  edit: (change: (card: Card) => Card) => void;
  reading: ReturnType<typeof useLineReading>;
  open: boolean;
  onOpen: (open: boolean) => void;
}

/** A line: as written with its marks, grams beside it; open, it can be typed and settled. */
export function LineRow(props: LineRowProps) {
  const { line, seen, reading, open, onOpen } = props;
  const shown = seen?.lines.find((one) => one.key === line.key);
  const asked = seen?.questions.some((one) => one.line === line.key) ?? false;
  return (
    <Box
      component="li"
      data-line={line.key}
      sx={(t) => ({
        borderBottom: 1,
        borderColor: "divider",
        ...(open && { bgcolor: t.vars.palette.background.default, borderRadius: 1 }),
        ...(asked && { boxShadow: `inset 4px 0 0 ${t.vars.palette.bench.butter}` }),
      })}
    >
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, pl: asked ? 1.25 : 0.75, pr: 0.5 }}>
        {open ? (
          <LineText
            line={line}
            onTake={(text) => text !== line.text && reading.reread.mutate({ was: line, text })}
            onLeave={() => onOpen(false)}
          />
        ) : (
          <ButtonBase
            onClick={() => onOpen(true)}
            aria-expanded={false}
            sx={{
              flex: 1,
              minWidth: 0,
              minHeight: 38,
              justifyContent: "flex-start",
              textAlign: "left",
              fontSize: "size.body",
              lineHeight: 1.25,
              fontFamily: "inherit",
              borderRadius: 1,
            }}
          >
            <span>
              <MarkedText
                text={line.text}
                marks={shown?.marks ?? []}
                known={!shown || shown.ingredient !== null}
              />
            </span>
          </ButtonBase>
        )}
        {asked && <AskIcon titleAccess="Something is asked about this line" fontSize="small" />}
        <Typography component="span" sx={{ fontWeight: 700, minWidth: 56, textAlign: "right" }}>
          {shown?.shown ? (
            <Figure from={shown.origin ?? undefined}>{shown.shown}</Figure>
          ) : (
            <Box component="span" sx={{ fontWeight: 400, color: "text.secondary" }}>
              –
            </Box>
          )}
        </Typography>
      </Box>
      {!open && line.parts.length > 0 && (
        <Typography color="textSecondary" sx={{ pl: 2.5, pb: 0.5, fontSize: "size.small" }}>
          {line.parts.map((part) => `${part.written} ${part.name}`.trim()).join(" · ")}
        </Typography>
      )}
      {open && <LineDetail {...props} shown={shown} />}
    </Box>
  );
}

function LineText(props: { line: CardLine; onTake: (text: string) => void; onLeave: () => void }) {
  const { line, onTake, onLeave } = props;
  const [text, setText] = useState(line.text);
  const [last, setLast] = useState(line.text);
  if (line.text !== last) {
    setLast(line.text);
    setText(line.text);
  }
  const take = () => (text.trim() ? onTake(text.trim()) : setText(line.text));
  return (
    <InputBase
      autoFocus
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => {
        if (event.key === "Enter") {
          take();
          onLeave();
        }
        if (event.key === "Escape") {
          setText(line.text);
          onLeave();
        }
      }}
      inputProps={{ "aria-label": `Line ${line.text}`, maxLength: LONGEST_LINE }}
      sx={(t) => ({
        flex: 1,
        minHeight: 44,
        fontSize: "size.body",
        "&.Mui-focused": { boxShadow: `inset 0 -3px 0 ${t.vars.palette.bench.butter}` },
      })}
    />
  );
}
