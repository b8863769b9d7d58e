import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";

import { kitchenQuery } from "../../api/queries/kitchen";
import { BowlsPanel } from "../../bowls/BowlsPanel";
import { useBowls } from "../../bowls/useBowls";
import { LabelHabitsForm } from "../../labelling/LabelHabitsForm";
import { Habits } from "./Habits";
import { LeftoversPanel } from "./LeftoversPanel";
import { SecondScreen } from "./SecondScreen";
import { SafePanel } from "./safe/SafePanel";
import { OvensPanel } from "./ovens/OvensPanel";

/** What the kitchen has and how it works: ovens, bowls, habits. */
export function KitchenRoom() {
  const kitchen = useQuery(kitchenQuery());
  const bowls = useBowls();
  return (
    <Box sx={{ p: { xs: 1.5, sm: 2.5 }, maxWidth: 1240, width: "100%", mx: "auto" }}>
      <Typography variant="roomTitle">Kitchen</Typography>
      {kitchen.isPending && <LinearProgress aria-label="Opening the kitchen" />}
      {kitchen.isError && (
        <Alert
          severity="error"
          action={<Button onClick={() => void kitchen.refetch()}>Try again</Button>}
        >
          {kitchen.error.message}
        </Alert>
      )}
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: "minmax(0, 7fr) minmax(0, 5fr)" },
          gap: 2,
          mt: 1.5,
          alignItems: "start",
        }}
      >
        <Box sx={{ display: "grid", gap: 2 }}>
          <Panel id="ovens" title="Ovens">
            <OvensPanel />
          </Panel>
          <Panel id="safe" title="Keep safe">
            <SafePanel />
          </Panel>
          <Panel id="labels" title="Labels">
            <LabelHabitsForm />
          </Panel>
        </Box>
        <Box sx={{ display: "grid", gap: 2 }}>
          <Panel id="habits" title="Habits">
            {kitchen.data && <Habits kitchen={kitchen.data} />}
          </Panel>
          <Panel id="leftovers" title="Left over">
            <LeftoversPanel />
          </Panel>
          <Panel id="second" title="A second screen">
            <SecondScreen />
          </Panel>
          <Panel id="bowls" title="Mixing bowls">
            <BowlsPanel bowls={bowls} lossShare={kitchen.data?.bowl_loss_share ?? null} />
          </Panel>
        </Box>
      </Box>
    </Box>
  );
}

function Panel(props: { id: string; title: string; children: ReactNode }) {
  return (
    <Box
      component="section"
      aria-labelledby={`${props.id}-title`}
      sx={(t) => ({
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        p: { xs: 1.5, sm: 2 },
      })}
    >
      <Typography
        component="h2"
        id={`${props.id}-title`}
        sx={(t) => ({ fontWeight: 700, fontSize: "size.strong", color: t.vars.palette.bench.rim })}
      >
        {props.title}
      </Typography>
      {props.children}
    </Box>
  );
}
