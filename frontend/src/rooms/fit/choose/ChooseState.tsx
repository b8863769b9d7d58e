import { Box } from "@mui/material";

import type { Fit } from "../../../api/client";
import { treatmentWords } from "../bake/heat/treatments";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { BakeStrip } from "./BakeStrip";
import { CardColumn } from "./CardColumn";
import { PansColumn } from "./PansColumn";
import { useUnits } from "../../../ui/useUnits";

/** The bench: the card, the pans drawn beside it, and the oven below them, always in sight. */
export function ChooseState(props: {
  fit: Fit;
  inHand: FitChoicesInHand;
  /** With which pans it opened and why; empty once others are chosen. */
  opened: string;
}) {
  const { fit, inHand, opened } = props;
  const units = useUnits();
  return (
    <>
      <Box
        sx={{
          display: "grid",
          gridTemplateColumns: {
            xs: "minmax(0, 1fr)",
            md: "minmax(330px, 384px) minmax(0, 1fr)",
          },
          gridTemplateAreas: { xs: '"work" "card"', md: '"card work"' },
          gap: 1.5,
          alignItems: "start",
          px: { xs: 1, sm: 1.75 },
          pb: 1.5,
        }}
      >
        <Panel area="card" labelledBy="card-title">
          <CardColumn fit={fit} inHand={inHand} />
        </Panel>
        <Box
          sx={{
            gridArea: "work",
            minWidth: 0,
            display: "flex",
            flexDirection: "column",
            gap: 1.5,
            // While the card scrolls, what decides stays: drawings, oven, verdict.
            position: { md: "sticky" },
            top: 0,
            minHeight: { md: `calc(100dvh - ${String(HEADS_PX)}px)` },
          }}
        >
          <Panel labelledBy="pans-title" grows>
            <PansColumn fit={fit} inHand={inHand} opened={opened} />
          </Panel>
          <Panel labelledBy="oven-title" stays>
            <BakeStrip
              fit={fit}
              temperature={inHand.choices.temperature}
              separately={inHand.choices.separately}
              treated={treatmentWords(inHand.choices, fit.oven.has_dial, units)}
              choose={inHand.choose}
            />
          </Panel>
        </Box>
      </Box>
    </>
  );
}

/** Height of the rooms' line and the fit's head with the gap below, px. */
const HEADS_PX = 124;

interface PanelProps {
  area?: string;
  labelledBy: string;
  /** Whether it stays at the foot of the window while the rest scrolls. */
  stays?: boolean;
  grows?: boolean;
  children: React.ReactNode;
}

function Panel({ area, labelledBy, stays = false, grows = false, children }: PanelProps) {
  return (
    <Box
      component="section"
      aria-labelledby={labelledBy}
      sx={(t) => ({
        ...(area && { gridArea: area }),
        ...(grows && { flex: { md: 1 } }),
        ...(stays && { position: { md: "sticky" }, bottom: 12, zIndex: 2 }),
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        px: { xs: 1.5, sm: 2 },
        py: 1.25,
        minWidth: 0,
      })}
    >
      {children}
    </Box>
  );
}
