import { Box, Button, TextField, Typography } from "@mui/material";

import type { Label } from "../../api/client";
import { dayWords } from "../../domain/moments";
import { grams, typedCount, typedDecimal } from "../../domain/numbers";
import { Opens } from "../../ui/Opens";
import { PickList } from "../../ui/PickList";
import { TypedField } from "../../ui/TypedField";
import type { LabelInHand } from "./useLabel";

interface LabelLineProps {
  label: Label;
  hand: LabelInHand;
}

/** What is labelled, as one line of words that opens. */
export function LabelLine({ label, hand }: LabelLineProps) {
  const { choices, choose } = hand;
  const cake = label.cakes[label.cake];
  const whole = choices.pieces === 1;
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        columnGap: 1.5,
        alignItems: "center",
        fontSize: "size.strong",
      }}
    >
      {label.cakes.length > 1 && cake && (
        <Opens label="Which cake" words={cake.label}>
          {(close) => (
            <PickList
              label="Which cake"
              value={String(label.cake)}
              options={label.cakes.map((one, place) => ({
                value: String(place),
                label: `${one.label}, ${grams(one.mass_g)} g`,
              }))}
              onChange={(place) => {
                choose({ cake: Number(place), pieces: 1, weighed: null });
                close();
              }}
            />
          )}
        </Opens>
      )}
      <Opens
        label="Sold how"
        words={whole ? "the whole cake" : `a piece of ${String(choices.pieces)}`}
      >
        {(close) => (
          <Box sx={{ display: "grid", gap: 1 }}>
            <Button
              onClick={() => {
                choose({ pieces: 1, weighed: null });
                close();
              }}
            >
              The whole cake
            </Button>
            {cake && cake.pieces > 1 && (
              <Button
                onClick={() => {
                  choose({ pieces: cake.pieces, weighed: null });
                  close();
                }}
              >
                A piece of {cake.pieces}
              </Button>
            )}
            <TypedField
              label="Pieces it is sold in"
              value={choices.pieces}
              read={(text) => {
                const typed = typedCount(text);
                return typed !== null && typed >= 1 && typed <= 500 ? typed : null;
              }}
              write={String}
              hint="1 to 500."
              onChange={(pieces) => choose({ pieces: pieces ?? 1, weighed: null })}
            />
          </Box>
        )}
      </Opens>
      <Opens label="Net weight" words={label.net_words}>
        {() => (
          <Box sx={{ display: "grid", gap: 1 }}>
            <Typography>{label.net_origin.note}</Typography>
            <TypedField
              label={whole ? "Weighed, g" : "One piece weighed, g"}
              value={choices.weighed}
              read={typedDecimal}
              write={String}
              hint="Type grams."
              onChange={(weighed) => choose({ weighed })}
            />
          </Box>
        )}
      </Opens>
      <MadeAndKept label={label} hand={hand} />
    </Box>
  );
}

/** When it was made, how long it keeps, what it is called. */
function MadeAndKept({ label, hand }: LabelLineProps) {
  const { choices, choose } = hand;
  return (
    <>
      <Opens label="Made on" words={`made ${dayWords(label.made_on, true)}`}>
        {() => (
          <Box sx={{ display: "grid", gap: 1.5 }}>
            <TextField
              type="date"
              label="Made on"
              value={label.made_on}
              onChange={(event) => event.target.value && choose({ madeOn: event.target.value })}
              slotProps={{ inputLabel: { shrink: true } }}
            />
            <TypedField
              label="Lot"
              value={choices.lot || null}
              read={(text) => (text.length <= 40 ? text.trim() : null)}
              write={(value) => value}
              hint="40 letters at most."
              onChange={(lot) => choose({ lot: lot ?? "" })}
            />
            <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
              Empty: {label.lot}, from the day and the name.
            </Typography>
          </Box>
        )}
      </Opens>
      <Opens
        label="Keeps until"
        words={label.until_words.charAt(0).toLowerCase() + label.until_words.slice(1)}
      >
        {() => (
          <Box sx={{ display: "grid", gap: 1 }}>
            <Typography>{label.days_origin.assumptions.join(" ")}</Typography>
            <TypedField
              label="Keeps, days"
              value={choices.days}
              read={typedDecimal}
              write={String}
              hint="Type days."
              onChange={(days) => choose({ days })}
            />
            <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
              Empty takes the table’s. More only for what you or a laboratory tested.
            </Typography>
          </Box>
        )}
      </Opens>
      <Opens label="Name of the food" words="its name">
        {() => (
          <TypedField
            label="Name of the food"
            value={choices.title || label.title}
            read={(text) => (text.trim() && text.length <= 120 ? text.trim() : null)}
            write={(value) => value}
            hint="1 to 120 letters."
            onChange={(title) => choose({ title: title ?? "" })}
            sx={{ minWidth: 280 }}
          />
        )}
      </Opens>
    </>
  );
}
