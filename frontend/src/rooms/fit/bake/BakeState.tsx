import { Alert, Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { Fit, FitBake, FitRequest } from "../../../api/client";
import type { BakeView } from "../../../domain/fitChoices";
import { Choice } from "../../../ui/Choice";
import { Figure } from "../../../ui/Figure";
import { ovenViewQuery } from "../../../api/queries/fit";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { BakeCard } from "./BakeCard";
import { HeatPanel } from "./heat/HeatPanel";
import { InsidePanel } from "./inside/InsidePanel";
import { LoadsPanel } from "./loads/LoadsPanel";
import { WaysPanel } from "./ways/WaysPanel";
import { Waiting } from "../../../ui/Waiting";

const VIEWS: readonly { value: BakeView; label: string }[] = [
  { value: "card", label: "Bake card" },
  { value: "heat", label: "Temperature" },
  { value: "loads", label: "Loads" },
  { value: "ways", label: "Ways" },
  { value: "inside", label: "Inside" },
];

interface BakeStateProps {
  fit: Fit;
  request: FitRequest;
  inHand: FitChoicesInHand;
}

/** At the oven: the card to be read from across the kitchen, and what is decided beside it. */
export function BakeState({ fit, request, inHand }: BakeStateProps) {
  const [altitude, setAltitude] = useState(false);
  const view = useQuery(ovenViewQuery(request, altitude));
  const { at } = inHand.choices;
  if (fit.factor === null) {
    return (
      <Typography sx={{ p: 3 }}>Choose pans first; then there is something to bake.</Typography>
    );
  }
  return (
    <Box
      component="section"
      aria-label="Bake"
      sx={(t) => ({
        mx: { xs: 1, sm: 1.75 },
        mb: 1.5,
        p: { xs: 1.5, sm: 2.5 },
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        flex: 1,
        overflowY: { lg: "auto" },
      })}
    >
      <Box
        sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2.5, rowGap: 1 }}
      >
        <Dials fit={fit} />
        <Typography color="textSecondary" sx={{ fontSize: "size.strong", flex: "1 1 240px" }}>
          {fit.oven.name}
          {written(fit)}.{" "}
          {view.data && (
            <>
              Switch it on{" "}
              <Figure from={view.data.card.origins.heat_before_min}>
                {`${String(view.data.card.heat_before_min)} min`}
              </Figure>{" "}
              before the pans go in.
            </>
          )}
        </Typography>
        <Choice
          label="At the oven"
          value={at}
          options={VIEWS}
          onChange={(next) => inHand.choose({ at: next })}
          size="small"
          wrap
        />
      </Box>
      {view.isError && (
        <Alert
          severity="error"
          sx={{ my: 1 }}
          action={<Button onClick={() => void view.refetch()}>Try again</Button>}
        >
          {view.error.message}
        </Alert>
      )}
      {view.isPending && <Waiting words="Working out the bake" />}
      {view.data && at === "card" && <BakeCard fit={fit} view={view.data} request={request} />}
      {view.data && at === "heat" && (
        <HeatPanel
          fit={fit}
          request={request}
          view={view.data}
          inHand={inHand}
          altitude={altitude}
          onAltitude={setAltitude}
        />
      )}
      {view.data && at === "loads" && <LoadsPanel fit={fit} view={view.data} />}
      {view.data && at === "ways" && <WaysPanel view={view.data} request={request} />}
      {at === "inside" && <InsidePanel fit={fit} request={request} />}
    </Box>
  );
}

/** What to set before the pans go in, where all share it, and what follows. */
function Dials({ fit }: { fit: Fit }) {
  const timed = fit.bakes.filter((bake) => bake.phases.length > 0);
  const settings = [...new Set(timed.map((bake) => dialsOf(bake).join(", then ")))];
  const [first, ...later] = timed[0] && settings.length === 1 ? dialsOf(timed[0]) : [];
  if (first === undefined) return null;
  return (
    <Typography
      variant={first.length > 14 ? "quantityLarge" : "quantityHuge"}
      sx={(t) => ({ color: t.vars.palette.bench.heat })}
    >
      {first}
      {later.length > 0 && (
        <Typography component="span" sx={{ ml: 1.5, fontSize: "size.large", fontWeight: 650 }}>
          then {later.join(", then ")}
        </Typography>
      )}
    </Typography>
  );
}

/** The settings of a bake in turn; a phase that keeps the one before says nothing new. */
function dialsOf(bake: FitBake): string[] {
  return bake.phases
    .map((phase) => phase.dial)
    .filter((dial, place, all) => place === 0 || dial !== all[place - 1]);
}

function written(fit: Fit): string {
  const first = fit.bakes.find((bake) => bake.written !== null);
  return first?.written ? `, written ${first.written}` : "";
}
