import { Box, Typography } from "@mui/material";
import { useNavigate } from "react-router";

import { Choice } from "../../ui/Choice";
import { BakesView } from "./BakesView";
import { CompareView } from "./CompareView";
import { TaughtView } from "./taught/TaughtView";

const VIEWS = [
  { value: "bakes", label: "Bakes" },
  { value: "taught", label: "What it taught" },
] as const;

/** What happened, and what it taught. */
export function LogbookRoom({ view }: { view: "bakes" | "taught" | "compare" }) {
  const go = useNavigate();
  return (
    <Box sx={{ p: { xs: 1.5, sm: 3 }, maxWidth: 1180 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 2, mb: 2 }}>
        <Typography component="h1" variant="roomTitle">
          Logbook
        </Typography>
        <Choice
          label="What to look at"
          value={view === "compare" ? "bakes" : view}
          options={VIEWS}
          onChange={(next) => void go(next === "taught" ? "/logbook/taught" : "/logbook")}
        />
      </Box>
      {view === "taught" ? <TaughtView /> : view === "compare" ? <CompareView /> : <BakesView />}
    </Box>
  );
}
