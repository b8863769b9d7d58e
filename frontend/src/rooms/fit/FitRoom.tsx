import { Alert, Box, Button, Typography, useMediaQuery } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Suspense, useEffect, useMemo, useState } from "react";
import { lazily } from "../../ui/lazily";

import type { Fit } from "../../api/client";
import { requestOf } from "../../domain/fitChoices";
import { FitHead } from "./FitHead";
import type { FitStateName } from "./FitHead";
import { PrintCard } from "./print/PrintCard";
import { PrintFinish } from "./print/PrintFinish";
import { PrintSheet } from "./PrintSheet";
import { usePrinting } from "./print/usePrinting";
import { fitQuery } from "../../api/queries/fit";
import { RecipePicker } from "./RecipePicker";
import { PhoneSummary } from "./PhoneSummary";
import { useFitChoices } from "./shared/useFitChoices";
import { useOpening } from "./useOpening";
import { Waiting } from "../../ui/Waiting";

const BENCH = {
  choose: () => import("./choose/ChooseState"),
  weigh: () => import("./weigh/WeighState"),
  bake: () => import("./bake/BakeState"),
  finish: () => import("./finish/FinishState"),
};
// Whose cake it is has a day: what knows of time zones comes with it.
const ForOrder = lazily(() => import("./keep/ForOrder").then((strip) => strip.ForOrder));
const ChooseState = lazily(() => BENCH.choose().then((state) => state.ChooseState));
const WeighState = lazily(() => BENCH.weigh().then((state) => state.WeighState));
const FinishState = lazily(() => BENCH.finish().then((state) => state.FinishState));
const BakeState = lazily(() => BENCH.bake().then((state) => state.BakeState));

/** The bench: one fit in four states. */
export function FitRoom({ state }: { state: FitStateName }) {
  const inHand = useFitChoices();
  const request = useMemo(() => requestOf(inHand.choices), [inHand.choices]);
  const fit = useQuery(fitQuery(request));
  const shown = useLastFit(fit.data ?? null, inHand.choices.recipe);
  const printing = usePrinting();
  const opening = useOpening(inHand);
  const phone = useMediaQuery((t) => t.breakpoints.down("sm"), { noSsr: true });
  // The first room stands; the states of the bench come in behind it.
  useEffect(() => {
    for (const load of Object.values(BENCH)) void load();
  }, []);
  if (request === null) return <RecipePicker inHand={inHand} />;
  if (!shown || opening.waiting) {
    return fit.isError ? (
      <NoAnswer error={fit.error} retry={() => void fit.refetch()} />
    ) : (
      <Waiting words="Working out the fit" />
    );
  }
  return (
    <>
      <Box className="no-print" sx={{ display: "flex", flexDirection: "column", flex: 1 }}>
        <FitHead fit={shown} inHand={inHand} state={state} phone={phone} />
        {inHand.choices.order !== null && (
          <Suspense>
            <ForOrder inHand={inHand} />
          </Suspense>
        )}
        {phone && <PhoneSummary fit={shown} state={state} />}
        {fit.isError && (
          <Alert
            severity="error"
            sx={{ mx: 2, mb: 1 }}
            action={<Button onClick={() => void fit.refetch()}>Try again</Button>}
          >
            {fit.error.message} The numbers below are the last ones worked out.
          </Alert>
        )}
        <Suspense fallback={<Waiting words="Laying out the bench" />}>
          {state === "choose" && <ChooseState fit={shown} inHand={inHand} opened={opening.said} />}
          {state === "weigh" && <WeighState fit={shown} request={request} inHand={inHand} />}
          {state === "finish" && <FinishState fit={shown} request={request} inHand={inHand} />}
          {state === "bake" && <BakeState fit={shown} request={request} inHand={inHand} />}
        </Suspense>
      </Box>
      {printing &&
        (state === "bake" ? (
          <PrintCard fit={shown} request={request} />
        ) : state === "finish" ? (
          <PrintFinish fit={shown} request={request} />
        ) : (
          <PrintSheet fit={shown} />
        ))}
    </>
  );
}

/** The fit, or the last one of this recipe while the kitchen does not answer. */
function useLastFit(fit: Fit | null, recipe: number | null): Fit | null {
  const [last, setLast] = useState(fit);
  if (fit && fit !== last) setLast(fit);
  return fit ?? (last?.recipe.id === recipe ? last : null);
}

function NoAnswer({ error, retry }: { error: Error; retry: () => void }) {
  return (
    <Box sx={{ p: 4, maxWidth: 560 }}>
      <Typography variant="roomTitle">This fit cannot be opened</Typography>
      <Typography sx={{ my: 2 }}>{error.message}</Typography>
      <Box sx={{ display: "flex", gap: 1 }}>
        <Button variant="contained" onClick={retry}>
          Try again
        </Button>
        <Button href="/fit">Choose a recipe</Button>
      </Box>
    </Box>
  );
}
