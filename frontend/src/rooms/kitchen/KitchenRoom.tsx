import { Alert, Box, Button } from "@mui/material";
import { useQuery } from "@tanstack/react-query";

import { kitchenQuery } from "../../api/queries/kitchen";
import { BowlsPanel } from "../../bowls/BowlsPanel";
import { useBowls } from "../../bowls/useBowls";
import { LabelHabitsForm } from "../../labelling/LabelHabitsForm";
import { RoomPanel } from "../../ui/RoomPanel";
import { AboutPanel } from "./AboutPanel";
import { Habits } from "./Habits";
import { LeftoversPanel } from "./LeftoversPanel";
import { SecondScreen } from "./SecondScreen";
import { SafePanel } from "./safe/SafePanel";
import { OvensPanel } from "./ovens/OvensPanel";
import { Room, RoomHead } from "../../ui/Room";
import { Waiting } from "../../ui/Waiting";

/** What the kitchen has and how it works: ovens, bowls, habits. */
export function KitchenRoom() {
  const kitchen = useQuery(kitchenQuery());
  const bowls = useBowls();
  return (
    <Room>
      <RoomHead title="Kitchen" />
      {kitchen.isPending && <Waiting words="Opening the kitchen" />}
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
          alignItems: "start",
        }}
      >
        <Box sx={{ display: "grid", gap: 2 }}>
          <RoomPanel id="ovens" title="Ovens">
            <OvensPanel />
          </RoomPanel>
          <RoomPanel id="safe" title="Keep safe">
            <SafePanel />
          </RoomPanel>
          <RoomPanel id="labels" title="Labels">
            <LabelHabitsForm />
          </RoomPanel>
        </Box>
        <Box sx={{ display: "grid", gap: 2 }}>
          <RoomPanel id="habits" title="Habits">
            {kitchen.data && <Habits kitchen={kitchen.data} />}
          </RoomPanel>
          <RoomPanel id="leftovers" title="Left over">
            <LeftoversPanel />
          </RoomPanel>
          <RoomPanel id="second" title="A second screen">
            <SecondScreen />
          </RoomPanel>
          <RoomPanel id="bowls" title="Mixing bowls">
            <BowlsPanel bowls={bowls} lossShare={kitchen.data?.bowl_loss_share ?? null} />
          </RoomPanel>
          <RoomPanel id="about" title="About">
            <AboutPanel />
          </RoomPanel>
        </Box>
      </Box>
    </Room>
  );
}
