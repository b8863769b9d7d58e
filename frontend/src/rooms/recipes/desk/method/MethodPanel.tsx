import { Box, Button, IconButton, Menu, MenuItem, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { LONGEST_LINE } from "../../../../api/bounds";
import type { Card, CardStep, Desk, DeskStep } from "../../../../api/client";
import { CloseIcon, DownIcon, UpIcon } from "../../../../ui/icons";
import { nextKey, withStep, withStepMoved } from "../changes";
import { cutTo } from "../../../../domain/words";

type Tie = DeskStep["ties"][number];

interface MethodPanelProps {
  card: Card;
  seen: Desk | null;
  edit: (change: (card: Card) => Card) => void;
}

/** The steps: their words, the sign each ends on, and which line an amount in them belongs to. */
export function MethodPanel({ card, seen, edit }: MethodPanelProps) {
  const add = () =>
    edit((now) => ({
      ...now,
      steps: [
        ...now.steps,
        { key: nextKey(now.steps), text: "", sign: "", component: null, ties: [] },
      ],
    }));
  return (
    <>
      {card.steps.length === 0 && (
        <Typography sx={{ mb: 1 }}>
          No steps yet. Amounts written in a step, such as “180 g of the sugar”, grow with their
          line in every fit.
        </Typography>
      )}
      <Box component="ol" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {card.steps.map((step, place) => (
          <StepItem
            key={step.key}
            step={step}
            number={place + 1}
            card={card}
            ties={seen?.steps.find((one) => one.key === step.key)?.ties ?? []}
            edit={edit}
          />
        ))}
      </Box>
      <Button onClick={add}>+ step</Button>
    </>
  );
}

function StepItem(props: {
  step: CardStep;
  number: number;
  card: Card;
  ties: readonly Tie[];
  edit: MethodPanelProps["edit"];
}) {
  const { step, number, card, ties, edit } = props;
  const [text, setText] = useState(step.text);
  const [last, setLast] = useState(step.text);
  if (step.text !== last) {
    setLast(step.text);
    setText(step.text);
  }
  const change = (part: Partial<CardStep>) => edit((now) => withStep(now, { ...step, ...part }));
  return (
    <Box
      component="li"
      sx={{ display: "flex", gap: 1, py: 0.75, borderBottom: 1, borderColor: "divider" }}
    >
      <Typography component="span" sx={{ fontWeight: 750, minWidth: 20, pt: 1 }}>
        {number}
      </Typography>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <TextField
          fullWidth
          multiline
          size="small"
          value={text}
          onChange={(event) => setText(event.target.value)}
          onBlur={() => text !== step.text && change({ text })}
          slotProps={{
            htmlInput: { "aria-label": `Step ${String(number)}`, maxLength: LONGEST_LINE },
          }}
        />
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, mt: 0.5, alignItems: "center" }}>
          {ties.map((tie) => (
            <TieButton
              key={`${String(tie.start)}-${tie.words}`}
              tie={tie}
              card={card}
              onTie={(line) =>
                change({
                  ties: [
                    ...step.ties.filter((one) => one.words !== tie.words),
                    { words: tie.words, line },
                  ],
                })
              }
              onAuto={() => change({ ties: step.ties.filter((one) => one.words !== tie.words) })}
            />
          ))}
          <Box sx={{ flex: 1 }} />
          <TextField
            size="small"
            variant="standard"
            placeholder="until …"
            value={step.sign}
            onChange={(event) => change({ sign: cutTo(event.target.value, 120) })}
            slotProps={{ htmlInput: { "aria-label": `Step ${String(number)} ends when` } }}
            sx={{ flex: "1 1 150px", maxWidth: 260 }}
          />
          <Box sx={{ display: "flex" }}>
            <IconButton
              aria-label={`Step ${String(number)} up`}
              onClick={() => edit((now) => withStepMoved(now, step.key, -1))}
            >
              <UpIcon fontSize="small" />
            </IconButton>
            <IconButton
              aria-label={`Step ${String(number)} down`}
              onClick={() => edit((now) => withStepMoved(now, step.key, 1))}
            >
              <DownIcon fontSize="small" />
            </IconButton>
            <IconButton
              aria-label={`Take step ${String(number)} away`}
              onClick={() =>
                edit((now) => ({ ...now, steps: now.steps.filter((one) => one.key !== step.key) }))
              }
            >
              <CloseIcon fontSize="small" />
            </IconButton>
          </Box>
        </Box>
      </Box>
    </Box>
  );
}

/** An amount of a step and the line it grows with; another can be chosen, or none. */
function TieButton(props: {
  tie: Tie;
  card: Card;
  onTie: (line: number | null) => void;
  onAuto: () => void;
}) {
  const { tie, card, onTie, onAuto } = props;
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const pick = (then: () => void) => () => {
    setMenu(null);
    then();
  };
  return (
    <>
      <Button
        size="small"
        variant={tie.line === null ? "text" : "outlined"}
        aria-haspopup="menu"
        onClick={(event) => setMenu(event.currentTarget)}
        sx={{ minHeight: 36, py: 0 }}
      >
        {tie.words} → {tie.line === null ? "no line" : tie.line_label}
      </Button>
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        {card.lines
          .filter((line) => line.amount !== null)
          .map((line) => (
            <MenuItem
              key={line.key}
              selected={line.key === tie.line}
              onClick={pick(() => onTie(line.key))}
            >
              {line.text}
            </MenuItem>
          ))}
        <MenuItem onClick={pick(() => onTie(null))}>No line: it stays as written</MenuItem>
        {tie.by_hand && <MenuItem onClick={pick(onAuto)}>As read from the words</MenuItem>}
      </Menu>
    </>
  );
}
