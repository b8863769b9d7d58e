import { Alert, Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";

import type { FinishAnswer, Fit, FitRequest } from "../../../api/client";
import { finishQuery } from "../../../api/queries/fit";
import { searchOf } from "../../../domain/fitChoices";
import { useUnits } from "../../../ui/useUnits";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { CutPlan } from "./CutPlan";
import { ExpectedDome } from "./ExpectedDome";
import { Drawings } from "../../../finish/Drawings";
import { EnlargeDialog } from "./EnlargeDialog";
import { FinishLine } from "../../../finish/FinishLine";
import { FinishParts } from "./FinishParts";
import { OrderOfWork } from "./OrderOfWork";
import { OwnFinish } from "./OwnFinish";
import { settled } from "../../../finish/finishing";
import { useFinishing } from "./useFinishing";
import { Waiting } from "../../../ui/Waiting";

interface FinishStateProps {
  fit: Fit;
  request: FitRequest;
  inHand: FitChoicesInHand;
}

/** After the oven: the cake drawn whole, what goes on it, and the order of work. */
export function FinishState({ fit, request, inHand }: FinishStateProps) {
  const answer = useQuery(finishQuery(request));
  const own = answer.data?.own.finish;
  const finishing = useFinishing(
    inHand,
    useMemo(() => (own ? settled(own) : {}), [own]),
  );
  const units = useUnits();
  const [enlarging, setEnlarging] = useState(false);
  if (fit.factor === null) {
    return (
      <Typography sx={{ p: 3 }}>Choose pans first; then there is a cake to finish.</Typography>
    );
  }
  if (answer.isError && !answer.data) {
    return (
      <Alert
        severity="error"
        sx={{ m: 2 }}
        action={
          <Button onClick={() => inHand.choose({ finishing: null })}>
            Finish it as the recipe does
          </Button>
        }
      >
        {answer.error.message}
      </Alert>
    );
  }
  if (!answer.data) return <Waiting words="Finishing the cake" />;
  const done = answer.data;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 3fr) minmax(320px, 2fr)" },
        gap: 1.5,
        px: { xs: 1, sm: 1.75 },
        pb: 1.5,
        alignItems: "start",
      }}
    >
      <Panel label="The cake">
        <FinishLine
          done={done}
          finishing={finishing}
          units={units}
          after={
            <Button size="small" onClick={() => setEnlarging(true)}>
              A thing made as a cake
            </Button>
          }
        />
        <OwnFinish
          own={done.own}
          recipe={fit.recipe.id}
          chosen={inHand.choices.finishing}
          asRecipe={() => inHand.choose({ finishing: null })}
        />
        {answer.isError && <Alert severity="error">{answer.error.message}</Alert>}
        {done.findings.some((one) => one.code === "finish_dome_unknown") && (
          <ExpectedDome request={request} onTake={(dome_cm) => finishing.change({ dome_cm })} />
        )}
        <Drawings done={done} units={units} onPart={finishing.setOpen} />
        {done.cakes.length > 0 && (
          <Button
            variant="outlined"
            component={Link}
            to={`/label?${searchOf(inHand.choices).toString()}`}
            className="no-print"
            sx={{ mt: 1 }}
          >
            Label and card to hand over
          </Button>
        )}
      </Panel>
      <Panel label="What goes on it">
        <FinishParts done={done} units={units} finishing={finishing} />
      </Panel>
      <Panel label="In this order" wide>
        <OrderOfWork steps={done.steps} />
      </Panel>
      {done.cakes.some((cake) => cake.serving) && <Cutting cakes={done.cakes} />}
      {enlarging && (
        <EnlargeDialog
          request={request}
          batter={fit.batter_g}
          finishing={finishing}
          onClose={() => setEnlarging(false)}
        />
      )}
    </Box>
  );
}

function Panel(props: { label: string; wide?: boolean; children: React.ReactNode }) {
  return (
    <Box
      component="section"
      aria-label={props.label}
      sx={(t) => ({
        gridColumn: props.wide ? "1 / -1" : undefined,
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        px: { xs: 1.5, sm: 2 },
        py: 1.25,
        minWidth: 0,
      })}
    >
      {props.children}
    </Box>
  );
}

/** How each cake is cut. */
function Cutting({ cakes }: { cakes: FinishAnswer["cakes"] }) {
  return (
    <Panel label="Cutting it" wide>
      <Typography
        component="h2"
        sx={(t) => ({
          fontWeight: 700,
          fontSize: "size.note",
          color: t.vars.palette.bench.rim,
        })}
      >
        Cutting it
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 3 }}>
        {cakes.map((cake, place) => (
          <CutPlan key={`${String(place)}-${cake.label}`} cake={cake} alone={cakes.length === 1} />
        ))}
      </Box>
    </Panel>
  );
}
