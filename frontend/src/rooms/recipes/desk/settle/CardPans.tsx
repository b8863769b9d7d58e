import {
  Box,
  Button,
  Dialog,
  DialogContent,
  DialogTitle,
  IconButton,
  Menu,
  MenuItem,
  TextField,
  Typography,
} from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../../api/client";
import { pansQuery } from "../../../../api/queries/kitchen";
import type { Card, CardPan, PanMeasures, RackPan } from "../../../../api/client";
import { typedCount } from "../../../../domain/numbers";
import { asEntered, withUnit } from "../../../../domain/units";
import { CloseIcon } from "../../../../ui/icons";
import { TypedField } from "../../../../ui/TypedField";
import { useUnits } from "../../../../ui/useUnits";
import { TypedPan } from "../../../../pans/form/TypedPan";
import { minutesWords, panWords } from "../../paste/ReadFacts";
import { cutTo } from "../../../../domain/words";

interface CardPansProps {
  card: Card;
  edit: (change: (card: Card) => Card) => void;
}

/** The pans a card is written for: in words, by measures, with their wall. */
export function CardPans({ card, edit }: CardPansProps) {
  const [words, setWords] = useState("");
  const [typing, setTyping] = useState(false);
  const set = (pans: CardPan[]) => edit((now) => ({ ...now, pans }));
  const add = (pan: CardPan) => edit((now) => ({ ...now, pans: [...now.pans, pan] }));
  const read = useMutation({
    mutationFn: async (text: string) =>
      answered(await client.POST("/api/readings/pan", { body: { text } })),
    onSuccess: (answer) => {
      setWords("");
      add(answer.pan);
    },
  });
  const take = () => words.trim() && read.mutate(words.trim());
  return (
    <Box component="section" aria-label="Pans of the recipe" sx={{ display: "grid", gap: 0.75 }}>
      {card.pans.map((pan, place) => (
        <PanRow
          key={place}
          pan={pan}
          onChange={(next) => set(card.pans.map((one, i) => (i === place ? next : one)))}
          onRemove={() => set(card.pans.filter((_, i) => i !== place))}
        />
      ))}
      <Box sx={{ display: "flex", gap: 0.75, alignItems: "flex-start" }}>
        <TextField
          size="small"
          sx={{ flex: 1 }}
          label={card.pans.length === 0 ? "Written for this pan" : "Another pan"}
          placeholder="two 18 cm round tins, 5 cm deep"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          onKeyDown={(event) => event.key === "Enter" && take()}
          onBlur={take}
          error={read.isError}
          helperText={read.error?.message}
        />
        <Button onClick={() => setTyping(true)}>By measures</Button>
        <FromRack onPick={add} />
      </Box>
      {card.offers.map((offer, place) => (
        <Box key={place} sx={{ display: "flex", alignItems: "center", gap: 0.75 }}>
          <Box sx={{ flex: 1 }}>
            Also with its own time: {panWords(offer.pan)},{" "}
            {minutesWords(offer.low_min, offer.high_min)}
          </Box>
          <IconButton
            aria-label={`Take the time of ${offer.pan.label} away`}
            onClick={() =>
              edit((now) => ({ ...now, offers: now.offers.filter((_, at) => at !== place) }))
            }
          >
            <CloseIcon />
          </IconButton>
        </Box>
      ))}
      <Dialog open={typing} onClose={() => setTyping(false)} maxWidth="sm" fullWidth>
        <DialogTitle>A pan of the recipe</DialogTitle>
        <DialogContent>
          <TypedPan
            button="Put it on the card"
            onAdd={(pan, count) => {
              setTyping(false);
              add({ ...pan, count, assumed: "" });
            }}
          />
        </DialogContent>
      </Dialog>
    </Box>
  );
}

/** Any pan of the rack as the recipe's pan; a tray comes with all its wells. */
function FromRack({ onPick }: { onPick: (pan: CardPan) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const rack = useQuery({ ...pansQuery(), enabled: anchor !== null });
  const pick = (pan: RackPan) => {
    setAnchor(null);
    onPick({ label: pan.label, measures: pan.measures, count: pan.wells, assumed: "" });
  };
  return (
    <>
      <Button onClick={(event) => setAnchor(event.currentTarget)}>From the rack</Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {(rack.data ?? [])
          .filter((pan) => !pan.damaged)
          .map((pan) => (
            <MenuItem key={pan.id} onClick={() => pick(pan)}>
              {pan.label}
            </MenuItem>
          ))}
        {rack.data?.length === 0 && <MenuItem disabled>No pans on the rack yet</MenuItem>}
      </Menu>
    </>
  );
}

function PanRow(props: { pan: CardPan; onChange: (pan: CardPan) => void; onRemove: () => void }) {
  const { pan, onChange, onRemove } = props;
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, alignItems: "flex-start" }}>
      <TypedField
        label={pan.measures.wells > 1 ? "Wells" : "How many"}
        value={pan.count}
        read={(text) => {
          const count = typedCount(text);
          return count !== null && count >= 1 && count <= 200 ? count : null;
        }}
        write={String}
        hint="1 to 200"
        required
        onChange={(count) => count !== null && onChange({ ...pan, count })}
        sx={{ width: 96 }}
      />
      <TypedField
        label="Pan"
        value={pan.label}
        read={(text) => cutTo(text.trim(), 80) || null}
        write={(text) => text}
        hint="Give it a name."
        required
        onChange={(label) => label && onChange({ ...pan, label })}
        sx={{ flex: 1, minWidth: 160 }}
      />
      <WallField pan={pan} onChange={onChange} />
      <IconButton aria-label={`Take ${pan.label} away`} onClick={onRemove}>
        <CloseIcon />
      </IconButton>
      {pan.assumed && (
        <Typography color="textSecondary" sx={{ width: "100%", fontSize: "size.small" }}>
          Assumed: {pan.assumed}. Give its measures under “By measures” to replace it.
        </Typography>
      )}
    </Box>
  );
}

/** The wall as typed, in centimetres or inches; the kitchen reads it. */
function WallField({ pan, onChange }: { pan: CardPan; onChange: (pan: CardPan) => void }) {
  const inch = useUnits() === "us";
  const [draft, setDraft] = useState<string | null>(null);
  const check = useMutation({
    mutationFn: async (wall: string) => {
      const known = Object.entries(pan.measures).filter(
        ([name, value]) => value !== null && name !== "wall_cm",
      );
      const measures = Object.fromEntries(known) as PanMeasures;
      const body = { pan: { ...measures, label: pan.label, wall_cm: wall }, count: pan.count };
      return answered(await client.POST("/api/readings/pan/measures", { body }));
    },
    onSuccess: (answer) => {
      setDraft(null);
      onChange({ ...answer.pan, assumed: pan.assumed });
    },
  });
  const take = () => {
    if (draft === null) return;
    if (draft.trim() !== "") check.mutate(withUnit(draft, inch));
    else {
      setDraft(null);
      check.reset();
      onChange({ ...pan, measures: { ...pan.measures, wall_cm: null } });
    }
  };
  const wall = pan.measures.wall_cm;
  return (
    <TextField
      size="small"
      label={`Wall, ${inch ? "in" : "cm"}`}
      placeholder={pan.measures.capacity_ml === null ? "assumed" : "by water"}
      value={draft ?? (wall === null ? "" : asEntered(wall, inch))}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => event.key === "Enter" && take()}
      error={check.isError}
      helperText={check.error?.message}
      slotProps={{ inputLabel: { shrink: true } }}
      sx={{ width: check.isError ? 220 : 112 }}
    />
  );
}
