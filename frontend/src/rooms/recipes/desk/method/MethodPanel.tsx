import { Box, Button, IconButton, Menu, MenuItem, TextField, Typography } from "@mui/material";
import { useState } from "react";

import { LONGEST_LINE, STEP_KIND } from "../../../../api/bounds";
import type { Card, CardStep, Desk, DeskStep } from "../../../../api/client";
import { CloseIcon, DownIcon, UpIcon } from "../../../../ui/icons";
import { nextKey, withStep, withStepMoved } from "../changes";
import { cutTo } from "../../../../domain/words";

type Tie = DeskStep["ties"][number];
type Kind = DeskStep["kinds"][number];

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
        { key: nextKey(now.steps), text: "", sign: "", component: null, ties: [], kinds: null },
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
            kinds={seen?.steps.find((one) => one.key === step.key)?.kinds ?? []}
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
  kinds: readonly Kind[];
  edit: MethodPanelProps["edit"];
}) {
  const { step, number, card, ties, kinds, edit } = props;
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
          <KindsButton
            number={number}
            kinds={kinds}
            byHand={step.kinds !== null}
            onChange={(next) => change({ kinds: next })}
          />
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

/** What work a step is, as read from its words; a tap puts it right. */
function KindsButton(props: {
  number: number;
  kinds: readonly Kind[];
  byHand: boolean;
  onChange: (kinds: Kind[] | null) => void;
}) {
  const { number, kinds, byHand, onChange } = props;
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const words = kinds.map(kindWords).join(", ") || "no work read";
  const toggle = (kind: Kind) =>
    onChange(kinds.includes(kind) ? kinds.filter((one) => one !== kind) : [...kinds, kind]);
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        aria-label={`Work of step ${String(number)}: ${words}`}
        onClick={(event) => setMenu(event.currentTarget)}
        sx={{ minHeight: 36, py: 0, fontWeight: byHand ? 700 : 500 }}
      >
        {words}
      </Button>
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        {byHand && (
          <MenuItem
            onClick={() => {
              setMenu(null);
              onChange(null);
            }}
          >
            As read from the words
          </MenuItem>
        )}
        {STEP_KIND.map((kind) => (
          <MenuItem
            key={kind}
            role="menuitemcheckbox"
            aria-checked={kinds.includes(kind)}
            selected={kinds.includes(kind)}
            onClick={() => toggle(kind)}
          >
            {kindWords(kind)}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

function kindWords(kind: Kind): string {
  return kind.replace("_", " ");
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
