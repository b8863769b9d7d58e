import { Alert, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";

import { kitchenQuery } from "../../api/queries/kitchen";
import { BakeStep } from "./BakeStep";
import { OvenStep } from "./OvenStep";
import { PansStep } from "./PansStep";
import { WhereStep } from "./WhereStep";
import { Waiting } from "../../ui/Waiting";
import { Room, RoomHead } from "../../ui/Room";

const STEPS = [
  { title: "Where do you bake?", step: WhereStep },
  { title: "Which oven?", step: OvenStep },
  { title: "Which pans do you have?", step: PansStep },
  { title: "What will you bake first?", step: BakeStep },
] as const;

/** The first morning: three pictures and a recipe, each of them skippable and changeable later. */
export function WelcomeRoom() {
  const [search, setSearch] = useSearchParams();
  const kitchen = useQuery(kitchenQuery());
  const at = Math.min(Math.max(Number(search.get("step") ?? 1) || 1, 1), STEPS.length);
  const go = (step: number) => setSearch({ step: String(step) });
  const now = STEPS[at - 1] ?? STEPS[0];
  const Step = now.step;
  return (
    <Room>
      <RoomHead
        title={now.title}
        main={
          <>
            <Typography color="textSecondary">
              {at} of {STEPS.length}
            </Typography>
            {at > 1 && <Button onClick={() => go(at - 1)}>Back</Button>}
            {at < STEPS.length && <Button onClick={() => go(at + 1)}>Skip</Button>}
          </>
        }
      />
      {kitchen.isPending && <Waiting words="Opening the kitchen" />}
      {kitchen.isError && <Alert severity="error">{kitchen.error.message}</Alert>}
      {kitchen.data && <Step kitchen={kitchen.data} onDone={() => go(at + 1)} />}
      <Typography color="textSecondary" sx={{ mt: 2, fontSize: "size.small" }}>
        Everything here can be changed later, in the Kitchen and the Pans room.
      </Typography>
    </Room>
  );
}
