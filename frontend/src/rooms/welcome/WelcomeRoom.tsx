import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";

import { kitchenQuery } from "../../api/queries/kitchen";
import { BakeStep } from "./BakeStep";
import { OvenStep } from "./OvenStep";
import { PansStep } from "./PansStep";
import { WhereStep } from "./WhereStep";

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
    <Box sx={{ p: { xs: 1.5, sm: 3 }, maxWidth: 1080, width: "100%", mx: "auto" }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1, mb: 1.5 }}>
        <Typography variant="roomTitle" sx={{ flex: "1 1 260px" }}>
          {now.title}
        </Typography>
        <Typography color="textSecondary">
          {at} of {STEPS.length}
        </Typography>
        {at > 1 && <Button onClick={() => go(at - 1)}>Back</Button>}
        {at < STEPS.length && <Button onClick={() => go(at + 1)}>Skip</Button>}
      </Box>
      {kitchen.isPending && <LinearProgress aria-label="Opening the kitchen" />}
      {kitchen.isError && <Alert severity="error">{kitchen.error.message}</Alert>}
      {kitchen.data && <Step kitchen={kitchen.data} onDone={() => go(at + 1)} />}
      <Typography color="textSecondary" sx={{ mt: 2, fontSize: "size.small" }}>
        Everything here can be changed later, in the Kitchen and the Pans room.
      </Typography>
    </Box>
  );
}
