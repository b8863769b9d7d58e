import { Alert, Box, Button, IconButton, Menu, MenuItem, Typography } from "@mui/material";
import { useState } from "react";

import type { Card, CardComponent, ComponentName, Desk } from "../../../../api/client";
import { grams } from "../../../../domain/numbers";
import { MoreIcon } from "../../../../ui/icons";
import { PickField } from "../../../../ui/PickField";
import { TypedField } from "../../../../ui/TypedField";
import { COMPONENTS, FREE_GROWTH, GROWTH } from "../../words";
import { nextKey, withComponent } from "../changes";
import { AddLine } from "./AddLine";
import { LineRow } from "./LineRow";
import { useLineReading } from "./useLineReading";
import { cutTo } from "../../../../domain/words";

interface LinesColumnProps {
  card: Card;
  seen: Desk | null;
  edit: (change: (card: Card) => Card) => void;
}

const KINDS = Object.entries(COMPONENTS) as [ComponentName, string][];

/** The lines as written, grouped by component; one of them may be open. */
export function LinesColumn({ card, seen, edit }: LinesColumnProps) {
  const [open, setOpen] = useState<number | null>(null);
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const reading = useLineReading(edit);
  const several = card.components.length > 1 || card.components[0]?.title;
  const addComponent = (kind: ComponentName) => {
    setMenu(null);
    edit((now) => ({
      ...now,
      components: [
        ...now.components,
        { key: nextKey(now.components), kind, title: "", scales_by: null },
      ],
    }));
  };
  const failed = reading.reread.error ?? reading.add.error;
  return (
    <>
      {failed && <Alert severity="error">{failed.message}</Alert>}
      {card.components.map((component) => (
        <Box key={component.key} sx={{ mb: 0.5 }}>
          {several && <ComponentHead component={component} card={card} edit={edit} />}
          <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
            {card.lines
              .filter((line) => line.component === component.key)
              .map((line) => (
                <LineRow
                  key={line.key}
                  line={line}
                  card={card}
                  seen={seen}
                  edit={edit}
                  reading={reading}
                  open={open === line.key}
                  onOpen={(next) => setOpen(next ? line.key : null)}
                />
              ))}
          </Box>
          <AddLine
            label={several ? `Add to ${headOf(component)}` : "Add a line"}
            example={several ? "" : ", for instance 120 ml milk"}
            busy={reading.add.isPending}
            onAdd={(text) => reading.add.mutate({ text, component: component.key })}
          />
        </Box>
      ))}
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, flexWrap: "wrap" }}>
        <Button aria-haspopup="menu" onClick={(event) => setMenu(event.currentTarget)}>
          + component
        </Button>
        <Typography color="textSecondary" sx={{ flex: 1, textAlign: "right" }}>
          {seen && seen.batter_g > 0 ? `Batter ${grams(seen.batter_g)} g` : ""}
        </Typography>
      </Box>
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        {KINDS.map(([kind, words]) => (
          <MenuItem key={kind} onClick={() => addComponent(kind)}>
            {words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

const headOf = (component: CardComponent) => component.title || COMPONENTS[component.kind];

function ComponentHead(props: { component: CardComponent } & Omit<LinesColumnProps, "seen">) {
  const { component, card, edit } = props;
  const [open, setOpen] = useState(false);
  const change = (part: Partial<CardComponent>) =>
    edit((now) => withComponent(now, { ...component, ...part }));
  const empty = !card.lines.some((line) => line.component === component.key);
  return (
    <>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, mt: 0.5 }}>
        <Typography
          component="h2"
          sx={(t) => ({ fontWeight: 700, fontSize: "size.body", color: t.vars.palette.bench.rim })}
        >
          {headOf(component)}
        </Typography>
        <Typography component="span" color="textSecondary" sx={{ flex: 1, fontSize: "size.tiny" }}>
          {[
            component.title && COMPONENTS[component.kind],
            component.scales_by &&
              FREE_GROWTH.includes(component.kind) &&
              `grows with ${GROWTH[component.scales_by]}`,
          ]
            .filter(Boolean)
            .join(", ")}
        </Typography>
        <IconButton
          size="small"
          aria-label={`Change ${headOf(component)}`}
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          sx={{ my: -0.75 }}
        >
          <MoreIcon fontSize="small" />
        </IconButton>
      </Box>
      {open && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, py: 1 }}>
          <PickField
            label="What it is"
            value={component.kind}
            options={KINDS}
            onChange={(kind) => kind && change({ kind })}
            sx={{ minWidth: 190 }}
          />
          <TypedField
            label="Heading"
            value={component.title}
            read={(text) => cutTo(text.trim(), 80)}
            write={(text) => text}
            hint=""
            onChange={(title) => change({ title: title ?? "" })}
          />
          {FREE_GROWTH.includes(component.kind) && (
            <PickField
              label="Grows with"
              value={component.scales_by}
              none="the usual"
              options={Object.entries(GROWTH) as [keyof typeof GROWTH, string][]}
              onChange={(scales_by) => change({ scales_by })}
              sx={{ minWidth: 170 }}
            />
          )}
          {empty && card.components.length > 1 && (
            <Button
              onClick={() =>
                edit((now) => ({
                  ...now,
                  components: now.components.filter((one) => one.key !== component.key),
                }))
              }
            >
              Take it away
            </Button>
          )}
        </Box>
      )}
    </>
  );
}
