import { Alert, Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Navigate, useNavigate, useParams, useSearchParams } from "react-router";

import type { Aim } from "../../../api/client";
import { Choice } from "../../../ui/Choice";
import { isNewDraftName, newDraftName } from "../drafts";
import { deskQuery } from "../../../api/queries/recipes";
import { CheckupPanel } from "./checkup/CheckupPanel";
import { ConflictDialog } from "./ConflictDialog";
import { DeskHead } from "./DeskHead";
import { FinishPanel } from "./finish/FinishPanel";
import { LinesColumn } from "./lines/LinesColumn";
import { MethodPanel } from "./method/MethodPanel";
import { RevisionsPanel } from "./revisions/RevisionsPanel";
import { SettlePanel } from "./settle/SettlePanel";
import { SwapsPanel } from "./swaps/SwapsPanel";
import { useDesk } from "./useDesk";
import { useDeskKeys } from "./useDeskKeys";
import { Waiting } from "../../../ui/Waiting";

export type DeskPanel = "settle" | "method" | "finish" | "checkup" | "swaps" | "revisions";

const PANELS = [
  { value: "settle", label: "Settle" },
  { value: "method", label: "Method" },
  { value: "finish", label: "Finish" },
  { value: "checkup", label: "Check-up" },
  { value: "swaps", label: "Swaps" },
  { value: "revisions", label: "Revisions" },
] as const;

const ALL_AIMS: readonly Aim[] = ["amounts", "other_pans", "bake_time"];

/** The desk of one card; another recipe is another desk. */
export function DeskRoom() {
  const { id } = useParams();
  const [search] = useSearchParams();
  const recipe = id === undefined || !/^\d+$/.test(id) ? null : Number(id);
  const draft = search.get("draft");
  if (recipe === null && !isNewDraftName(draft)) {
    return <Navigate to={`/recipes/new?draft=${newDraftName()}`} replace />;
  }
  return <OneDesk key={recipe ?? draft} id={recipe} draft={draft ?? ""} />;
}

function OneDesk({ id, draft }: { id: number | null; draft: string }) {
  const navigate = useNavigate();
  const desk = useDesk(id, draft, (added) => {
    void navigate(`/recipes/${String(added)}`, { replace: true });
  });
  const [panel, setPanel] = useState<DeskPanel>("settle");
  const [variant, setVariant] = useState<number | null>(null);
  const [aims, setAims] = useState<readonly Aim[]>(ALL_AIMS);
  const card = desk.draft?.card ?? null;
  const known = card?.variants.some((one) => one.key === variant) ? variant : null;
  const seen = useQuery(deskQuery(useDeferredValue(card), known, aims));
  useDeskKeys(desk);
  if (desk.error) return <NotHere text={desk.error.message} />;
  if (!card || !desk.draft) return <Waiting words="Fetching the card" />;
  const seenNow = seen.data ?? null;
  return (
    <>
      <DeskHead desk={desk} card={card} />
      {desk.draft.found.length > 0 && (
        <Alert severity="info" sx={{ mx: { xs: 1, sm: 1.75 }, mb: 1, py: 0 }}>
          From the words of the recipe: {desk.draft.found.join(", ")}. Check them under Settle.
        </Alert>
      )}
      {seen.isError && (
        <Alert severity="error" sx={{ mx: { xs: 1, sm: 1.75 }, mb: 1, py: 0 }}>
          {seen.error.message} What stands below is from before.
        </Alert>
      )}
      <Box
        sx={(t) => ({
          mx: { xs: 1, sm: 1.75 },
          mb: 1.5,
          flex: 1,
          minHeight: { lg: 0 },
          display: "grid",
          gridTemplateColumns: { xs: "minmax(0, 1fr)", lg: "minmax(0, 11fr) minmax(0, 12fr)" },
          gridTemplateRows: { lg: "minmax(0, 1fr)" },
          bgcolor: "background.paper",
          border: `2px solid ${t.vars.palette.bench.rim}`,
          borderRadius: 2,
          overflow: "hidden",
        })}
      >
        <Box
          component="section"
          aria-label="Lines"
          sx={{ p: { xs: 1.25, sm: 1.75 }, overflowY: { lg: "auto" }, minHeight: 0 }}
        >
          <LinesColumn card={card} seen={seenNow} edit={desk.edit} />
        </Box>
        <Box
          sx={{
            borderLeft: { lg: 1 },
            borderTop: { xs: 1, lg: 0 },
            borderColor: { xs: "divider", lg: "divider" },
            display: "flex",
            flexDirection: "column",
            minHeight: 0,
          }}
        >
          <Box sx={{ px: { xs: 1.25, sm: 1.75 }, pt: 1.25 }}>
            <Choice
              label="What to look at"
              value={panel}
              options={PANELS}
              onChange={setPanel}
              size="small"
              wrap
            />
          </Box>
          <Box
            key={panel}
            component="section"
            aria-label={PANELS.find((one) => one.value === panel)?.label ?? ""}
            sx={{
              px: { xs: 1.25, sm: 1.75 },
              pt: 0.75,
              pb: 1.75,
              flex: 1,
              overflowY: { lg: "auto" },
            }}
          >
            {panel === "settle" && (
              <SettlePanel
                card={card}
                seen={seenNow}
                edit={desk.edit}
                aims={aims}
                onAims={setAims}
              />
            )}
            {panel === "method" && <MethodPanel card={card} seen={seenNow} edit={desk.edit} />}
            {panel === "finish" && <FinishPanel card={card} edit={desk.edit} />}
            {panel === "checkup" && (
              <CheckupPanel
                recipe={id}
                card={card}
                seen={seenNow}
                variant={known}
                onVariant={setVariant}
              />
            )}
            {panel === "swaps" && (
              <SwapsPanel
                card={card}
                seen={seenNow}
                edit={desk.edit}
                variant={known}
                onVariant={setVariant}
              />
            )}
            {panel === "revisions" && <RevisionsPanel desk={desk} />}
          </Box>
        </Box>
      </Box>
      <ConflictDialog desk={desk} card={card} />
    </>
  );
}

function NotHere({ text }: { text: string }) {
  return (
    <Box sx={{ p: 4, maxWidth: 560 }}>
      <Typography variant="roomTitle">This card cannot be opened</Typography>
      <Typography sx={{ my: 2 }}>{text}</Typography>
      <Button href="/recipes" variant="contained">
        To the recipes
      </Button>
    </Box>
  );
}
