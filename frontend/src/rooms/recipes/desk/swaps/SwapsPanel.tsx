import { Alert, Box, Button, Slider, TextField, Typography } from "@mui/material";
import { useState } from "react";

import type { Card, CardSwap, CardVariant, Desk, Offer } from "../../../../api/client";
import { percent } from "../../../../domain/numbers";
import { PickField } from "../../../../ui/PickField";
import { nextKey } from "../changes";
import { SwapPreview } from "./SwapPreview";
import { cutTo } from "../../../../domain/words";

interface SwapsPanelProps {
  card: Card;
  seen: Desk | null;
  edit: (change: (card: Card) => Card) => void;
  variant: number | null;
  onVariant: (variant: number | null) => void;
}

/** Variants of the card, each a set of swaps; a swap shows before and after it is made. */
export function SwapsPanel({ card, seen, edit, variant, onVariant }: SwapsPanelProps) {
  const [line, setLine] = useState<string | null>(null);
  const [offer, setOffer] = useState<Offer | null>(null);
  const [share, setShare] = useState(1);
  const chosen = card.variants.find((one) => one.key === variant) ?? null;
  const offers = seen?.offers ?? [];
  const lines = card.lines.filter((one) => offers.some((other) => other.line === one.key));
  const swap: CardSwap | null = offer && { kind: offer.kind, line: offer.line, share };
  const pick = (next: Offer) => {
    setOffer(next);
    setShare(next.usual);
  };
  const make = () => {
    if (!swap || !offer) return;
    const into = chosen ?? {
      key: nextKey(card.variants),
      name: offer.name.charAt(0).toUpperCase() + offer.name.slice(1, 60),
      swaps: [],
    };
    const made: CardVariant = { ...into, swaps: [...into.swaps, swap] };
    edit((now) => ({
      ...now,
      variants: chosen
        ? now.variants.map((one) => (one.key === made.key ? made : one))
        : [...now.variants, made],
    }));
    onVariant(made.key);
    setOffer(null);
    setLine(null);
  };
  return (
    <Box sx={{ display: "grid", gap: 1.5 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
        <PickField
          label="Variant"
          value={chosen ? String(chosen.key) : null}
          none={card.variants.length > 0 ? "a new one" : "none yet"}
          options={card.variants.map((one) => [String(one.key), one.name] as const)}
          onChange={(key) => onVariant(key === null ? null : Number(key))}
          sx={{ minWidth: 240, flex: 1 }}
        />
        {chosen && (
          <Button
            onClick={() => {
              onVariant(null);
              edit((now) => ({
                ...now,
                variants: now.variants.filter((one) => one.key !== chosen.key),
              }));
            }}
          >
            Take the variant away
          </Button>
        )}
      </Box>
      {chosen && (
        <OneVariant
          key={chosen.key}
          variant={chosen}
          card={card}
          seen={seen}
          onChange={(next) =>
            edit((now) => ({
              ...now,
              variants: now.variants.map((one) => (one.key === next.key ? next : one)),
            }))
          }
        />
      )}
      <Box component="section" aria-label="Make a swap">
        <Typography component="h2" sx={{ fontWeight: 700, mb: 0.75 }}>
          {chosen ? `Swap more in “${chosen.name}”` : "Swap something"}
        </Typography>
        {lines.length === 0 && (
          <Typography color="textSecondary">
            No line here can be swapped yet: a swap needs a line whose weight is known.
          </Typography>
        )}
        {lines.length > 0 && (
          <PickField
            label="Which line"
            value={line}
            none="choose a line"
            options={lines.map((one) => [String(one.key), one.text] as const)}
            onChange={(key) => {
              setLine(key);
              setOffer(null);
            }}
            sx={{ minWidth: 280, maxWidth: "100%" }}
          />
        )}
        {line !== null && (
          <Instead
            offers={offers.filter((one) => String(one.line) === line)}
            chosen={offer}
            onPick={pick}
          />
        )}
        {offer && swap && (
          <Box sx={{ mt: 1.25 }}>
            <HowMuch offer={offer} share={share} onShare={setShare} />
            <SwapPreview card={card} swap={swap} />
            <Button variant="contained" onClick={make} sx={{ mt: 1 }}>
              {chosen ? `Put it into “${chosen.name}”` : "Make it a variant"}
            </Button>
          </Box>
        )}
      </Box>
    </Box>
  );
}

function OneVariant(props: {
  variant: CardVariant;
  card: Card;
  seen: Desk | null;
  onChange: (variant: CardVariant) => void;
}) {
  const { variant, card, seen, onChange } = props;
  const nameOf = (swap: CardSwap) =>
    seen?.offers.find((one) => one.kind === swap.kind)?.name ?? swap.kind.replace(/_/g, " ");
  const findings = seen?.findings.filter((one) => one.code.startsWith("swap_")) ?? [];
  return (
    <Box component="section" aria-label={`Variant ${variant.name}`}>
      <TextField
        size="small"
        label="Its name"
        value={variant.name}
        onChange={(event) => onChange({ ...variant, name: cutTo(event.target.value, 80) })}
        sx={{ mb: 1, minWidth: 240 }}
      />
      {variant.swaps.map((swap, place) => (
        <Box key={place} sx={{ display: "flex", alignItems: "center", gap: 1 }}>
          <Typography sx={{ flex: 1, lineHeight: 1.2 }}>
            {swap.share < 1 ? `${percent(swap.share)}: ` : ""}
            {nameOf(swap)}
            <Box component="span" sx={{ color: "text.secondary" }}>
              {" "}
              in “{card.lines.find((one) => one.key === swap.line)?.text}”
            </Box>
          </Typography>
          <Button
            onClick={() =>
              onChange({ ...variant, swaps: variant.swaps.filter((_, i) => i !== place) })
            }
          >
            Swap back
          </Button>
        </Box>
      ))}
      {findings.map((finding, place) => (
        <Alert key={place} severity="warning" sx={{ py: 0 }}>
          {finding.text}
        </Alert>
      ))}
      {seen && seen.variant_lines.length > 0 && (
        <Box
          component="ul"
          aria-label="The card with its swaps"
          sx={{ listStyle: "none", m: 0, mt: 1, p: 0, columns: { sm: 2 }, columnGap: 3 }}
        >
          {seen.variant_lines.map((line, place) => (
            <Box
              component="li"
              key={place}
              sx={(t) => ({
                py: 0.3,
                lineHeight: 1.25,
                breakInside: "avoid",
                borderBottom: 1,
                borderColor: "divider",
                ...(line.swapped_from && { bgcolor: t.vars.palette.bench.butterTint }),
              })}
            >
              <strong>{line.written}</strong> {line.label}
              {line.swapped_from && (
                <Box component="span" sx={{ color: "text.secondary", display: "block" }}>
                  for {line.swapped_from}
                </Box>
              )}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

/** How much of a line is swapped, where not all of it can be. */
function HowMuch(props: { offer: Offer; share: number; onShare: (share: number) => void }) {
  const { offer, share, onShare } = props;
  return (
    <>
      {offer.most < 1 && (
        <Box sx={{ px: 1 }}>
          <Typography component="span" id="swap-share">
            How much of it: <strong>{percent(share)}</strong>, at most {percent(offer.most)}
          </Typography>
          <Slider
            value={Math.round(share * 100)}
            min={1}
            max={Math.round(offer.most * 100)}
            onChange={(_, value) => onShare(value / 100)}
            aria-labelledby="swap-share"
          />
        </Box>
      )}
    </>
  );
}

interface InsteadProps {
  offers: readonly Offer[];
  chosen: Offer | null;
  onPick: (offer: Offer) => void;
}

/** What a line can be swapped for. */
function Instead({ offers, chosen, onPick }: InsteadProps) {
  return (
    <Box
      role="group"
      aria-label="What instead"
      sx={{ display: "flex", flexWrap: "wrap", gap: 0.75, mt: 1 }}
    >
      {offers.map((one) => (
        <Button
          key={one.kind}
          variant="outlined"
          aria-pressed={chosen?.kind === one.kind}
          onClick={() => onPick(one)}
          sx={(t) => ({
            textAlign: "left",
            lineHeight: 1.2,
            ...(chosen?.kind === one.kind && {
              bgcolor: t.vars.palette.bench.butter,
              color: t.vars.palette.bench.onButter,
            }),
          })}
        >
          {one.name}
        </Button>
      ))}
    </Box>
  );
}
