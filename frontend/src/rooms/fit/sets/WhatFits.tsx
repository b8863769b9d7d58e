import {
  Alert,
  Box,
  Button,
  Checkbox,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  FormControlLabel,
  LinearProgress,
  Typography,
} from "@mui/material";
import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { BATCH_FREEDOM, MOST_KINDS } from "../../../api/bounds";
import { answered, client } from "../../../api/client";
import type { FitEntry, FitRequest, RackPan, SetOffer } from "../../../api/client";
import { OF_THE_BATCH } from "../../../domain/fitChoices";
import type { FitChoices } from "../../../domain/fitChoices";
import { Opens } from "../../../ui/Opens";
import { PickList } from "../../../ui/PickList";
import { typedCount } from "../../../domain/numbers";
import { Stepper } from "../../../ui/Stepper";
import { pansQuery } from "../../../api/queries/kitchen";
import { OfferedSet } from "./OfferedSet";
import { Waiting } from "../../../ui/Waiting";

type Freedom = (typeof BATCH_FREEDOM)[number];

const FREEDOMS = [
  { value: "as_it_is", label: "My batch as it is" },
  { value: "whole_eggs", label: "Any whole eggs" },
] as const;

const TOLERANCES = [
  { value: "0.05", label: "5 %" },
  { value: "0.1", label: "10 %" },
  { value: "0.2", label: "20 %" },
] as const;

function named<T extends string>(
  options: readonly { value: T; label: string }[],
  value: T,
): string {
  return options.find((one) => one.value === value)?.label.toLowerCase() ?? value;
}

interface Asked {
  fit: FitRequest;
  free: Record<string, number>;
  batch: Freedom;
  tolerance: number;
  most_pans: number;
}

const setsQuery = (asked: Asked | null) =>
  queryOptions({
    queryKey: ["fit", "sets", asked],
    queryFn: async ({ signal }) => {
      if (asked === null) return null;
      return answered(await client.POST("/api/fit/sets", { body: asked, signal }));
    },
    enabled: asked !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });

interface WhatFitsProps {
  open: boolean;
  request: FitRequest | null;
  onClose: () => void;
  /** Take a set: its pans, and the rule under which they take the batch. */
  onTake: (change: Partial<FitChoices>) => void;
}

/** “I have these pans free: which set takes this recipe best?” */
export function WhatFits({ open, request, onClose, onTake }: WhatFitsProps) {
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="lg">
      <DialogTitle>What fits?</DialogTitle>
      <DialogContent>{open && <Search request={request} onTake={onTake} />}</DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function Search({ request, onTake }: Pick<WhatFitsProps, "request" | "onTake">) {
  const rack = useQuery(pansQuery());
  const [busy, setBusy] = useState<ReadonlySet<number>>(new Set());
  const [batch, setBatch] = useState<Freedom>("as_it_is");
  const [tolerance, setTolerance] = useState<(typeof TOLERANCES)[number]["value"]>("0.1");
  const [most, setMost] = useState(3);
  const pans = rack.data?.slice(0, MOST_KINDS) ?? [];
  const free = pans.filter((pan) => !busy.has(pan.id));
  const sets = useQuery(
    setsQuery(
      request && free.length > 0
        ? {
            fit: request,
            free: Object.fromEntries(free.map((pan) => [String(pan.id), pan.owned])),
            batch,
            tolerance: Number(tolerance),
            most_pans: most,
          }
        : null,
    ),
  );
  if (rack.isPending) return <Waiting words="Fetching the rack" />;
  if (rack.isError) return <Alert severity="error">{rack.error.message}</Alert>;
  if (pans.length === 0) return <Typography>The rack is empty. Add pans to it first.</Typography>;
  const offers = free.length === 0 ? [] : (sets.data?.offers ?? []);
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 2, alignItems: "center" }}>
        <span>
          Sets for{" "}
          <Opens label="The batch" words={named(FREEDOMS, batch)}>
            {() => (
              <PickList label="The batch" value={batch} options={FREEDOMS} onChange={setBatch} />
            )}
          </Opens>
        </span>
        <span>
          depth within{" "}
          <Opens label="How far the depth may move" words={named(TOLERANCES, tolerance)}>
            {() => (
              <PickList
                label="How far the depth may move"
                value={tolerance}
                options={TOLERANCES}
                onChange={setTolerance}
              />
            )}
          </Opens>
        </span>
        <span>
          at most{" "}
          <Opens label="Most pans in a set" words={`${String(most)} pans`}>
            {() => (
              <Stepper
                label="Most pans in a set"
                value={most}
                least={1}
                read={typedCount}
                onChange={(count) => setMost(Math.min(Math.max(count, 1), 5))}
              />
            )}
          </Opens>
        </span>
        <span>
          from{" "}
          <Opens
            label="Free pans"
            words={`${String(free.length)} of ${String(pans.length)} kinds that are free`}
          >
            {() => <FreePans pans={pans} busy={busy} onChange={setBusy} />}
          </Opens>
        </span>
      </Box>
      {rack.data.length > MOST_KINDS && (
        <Typography color="textSecondary">
          The first {MOST_KINDS} kinds of pan on the rack are looked at.
        </Typography>
      )}
      <Box aria-live="polite" aria-busy={sets.isFetching}>
        {sets.isFetching && <LinearProgress aria-label="Searching the rack" sx={{ mt: 1 }} />}
        {sets.isError && <Alert severity="error">{sets.error.message}</Alert>}
        {free.length === 0 && (
          <Typography sx={{ mt: 2 }}>No pan is free. Tick those that are.</Typography>
        )}
        {sets.data && free.length > 0 && offers.length === 0 && (
          <Typography sx={{ mt: 2 }}>
            No set of these pans keeps the depth that close. Allow more, or more pans, or another
            size of batch.
          </Typography>
        )}
        <Box
          component="ol"
          aria-label="Sets that take the recipe"
          sx={{ listStyle: "none", m: 0, p: 0, opacity: sets.isPlaceholderData ? 0.6 : 1 }}
        >
          <OfferedSets offers={offers} onTake={onTake} />
        </Box>
        {offers.length > 0 && (
          <Typography color="textSecondary" sx={{ mt: 1, fontSize: "size.small" }}>
            {sets.data?.order}
          </Typography>
        )}
      </Box>
    </>
  );
}

/** The choices that put an offered set on the bench. */
function takes(offer: SetOffer, more: readonly FitEntry[]): Partial<FitChoices> {
  const entries = offer.into.map((one): FitEntry => ({
    pan: one.pan,
    count: one.count,
    ...(one.held ? { rule: { kind: "same_depth" as const } } : {}),
  }));
  return {
    into: [...entries, ...more],
    rule: offer.rule,
    eggCount: offer.egg_count,
    ...(offer.egg_count === null ? {} : { eggsG: null, eggsInShell: false }),
    eggs: "default",
    shares: [],
    beside: null,
    ...OF_THE_BATCH,
  };
}

function FreePans(props: {
  pans: readonly RackPan[];
  busy: ReadonlySet<number>;
  onChange: (busy: ReadonlySet<number>) => void;
}) {
  const { pans, busy, onChange } = props;
  const toggle = (id: number) => {
    const next = new Set(busy);
    if (!next.delete(id)) next.add(id);
    onChange(next);
  };
  return (
    <Box component="fieldset" sx={{ border: 0, p: 0, m: 0, mt: 1 }}>
      <Typography component="legend" sx={{ fontWeight: 700, p: 0 }}>
        Which pans are free?
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 1.5 }}>
        {pans.map((pan) => (
          <FormControlLabel
            key={pan.id}
            control={<Checkbox checked={!busy.has(pan.id)} onChange={() => toggle(pan.id)} />}
            label={pan.owned > 1 ? `${String(pan.owned)} × ${pan.label}` : pan.label}
            sx={{ mr: 0 }}
          />
        ))}
        <Button
          size="small"
          onClick={() => onChange(busy.size === 0 ? new Set(pans.map((pan) => pan.id)) : new Set())}
        >
          {busy.size === 0 ? "None" : "All"}
        </Button>
      </Box>
    </Box>
  );
}

/** The sets that were found; the first is the best, and any other can be put beside it. */
function OfferedSets({
  offers,
  onTake,
}: {
  offers: readonly SetOffer[];
  onTake: WhatFitsProps["onTake"];
}) {
  return (
    <>
      {offers.map((offer, place) => (
        <OfferedSet
          key={offer.into.map((one) => `${String(one.pan)}×${String(one.count)}`).join()}
          offer={offer}
          best={place === 0}
          onTake={(more) => onTake(takes(offer, more))}
          onBeside={
            place === 0
              ? null
              : () =>
                  onTake({
                    ...takes(offers[0] ?? offer, []),
                    beside: takes(offer, []).into ?? [],
                  })
          }
        />
      ))}
    </>
  );
}
