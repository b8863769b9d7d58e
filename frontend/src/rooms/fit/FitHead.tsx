import {
  Box,
  Button,
  ButtonBase,
  Dialog,
  DialogContent,
  DialogTitle,
  IconButton,
  Typography,
} from "@mui/material";
import { useCallback, useState } from "react";
import { Link, useNavigate } from "react-router";

import type { Fit, Provenance } from "../../api/client";
import { Choice } from "../../ui/Choice";
import { Figure } from "../../ui/Figure";
import { useUnits } from "../../ui/useUnits";
import { MoreIcon, NoteIcon, OpenIcon, PrintIcon } from "../../ui/icons";
import { EDGES } from "../../ui/Room";
import { CopyLink } from "./keep/CopyLink";
import { SaveFile } from "./keep/SaveFile";
import { KeepButton } from "./keep/KeepButton";
import { BakeNowButton } from "./keep/BakeNowButton";
import { OrderButton } from "./keep/OrderButton";
import { CardVersion } from "./CardVersion";
import { requestOf, startWith } from "../../domain/fitChoices";
import { length } from "../../domain/units";
import { RecipeList } from "./RecipePicker";
import { useFitKeys } from "./useFitKeys";
import { ShortcutList } from "./ShortcutList";
import type { FitChoicesInHand } from "./shared/useFitChoices";

export type FitStateName = "choose" | "weigh" | "bake" | "finish";

const PATHS: Record<FitStateName, string> = {
  choose: "/fit",
  weigh: "/fit/weigh",
  bake: "/fit/bake",
  finish: "/fit/finish",
};

const STATES = [
  { value: "choose", label: "Choose" },
  { value: "weigh", label: "Weigh" },
  { value: "bake", label: "Bake" },
  { value: "finish", label: "Finish" },
] as const;

/** Title of the fit, its three states, and what can be done with it. */
export function FitHead(props: {
  fit: Fit;
  inHand: FitChoicesInHand;
  state: FitStateName;
  phone: boolean;
}) {
  const { fit, inHand, state, phone } = props;
  const [choosing, setChoosing] = useState(false);
  const [help, setHelp] = useState(false);
  const goTo = useGoTo();
  useFitKeys({ goTo, search: () => setChoosing(true), help: () => setHelp(true) });
  const [more, setMore] = useState(false);
  const actions = (
    <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, alignItems: "center" }}>
      <Button
        component={Link}
        to={`/recipes/${String(fit.recipe.id)}`}
        startIcon={<NoteIcon />}
        aria-label="Open the card on the desk"
      >
        Card
      </Button>
      <KeepButton fit={fit} inHand={inHand} />
      <OrderButton fit={fit} inHand={inHand} />
      {state === "bake" && <BakeNowButton fit={fit} inHand={inHand} />}
      <CopyLink />
      <SaveFile request={requestOf(inHand.choices)} />
      <Button startIcon={<PrintIcon />} onClick={() => window.print()}>
        Print
      </Button>
    </Box>
  );
  const about = (
    <Typography color="textSecondary" sx={{ fontSize: "size.note", lineHeight: 1.2 }}>
      <WrittenFor source={fit.source} />
    </Typography>
  );
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        gap: { xs: 0, sm: 1, md: 1.5 },
        px: EDGES,
        py: { xs: 0, sm: 0.75 },
      }}
    >
      <Box sx={{ flex: { xs: "1 1 0", sm: "1 1 220px" }, minWidth: 0 }}>
        <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", columnGap: 2 }}>
          <ButtonBase
            onClick={() => setChoosing(true)}
            aria-haspopup="dialog"
            sx={{ textAlign: "left", minHeight: 44, borderRadius: 1, maxWidth: "100%" }}
          >
            <Typography
              variant="roomTitle"
              noWrap={phone}
              sx={{ fontSize: { xs: "1.25rem", sm: "1.5rem" } }}
            >
              {fit.recipe.title}
            </Typography>
            <OpenIcon sx={{ ml: 0.5 }} />
          </ButtonBase>
          {!phone && <CardVersion fit={fit} choose={inHand.choose} />}
        </Box>
        {!phone && about}
      </Box>
      {!phone && actions}
      {phone && (
        <IconButton aria-label="What else" aria-expanded={more} onClick={() => setMore(!more)}>
          <MoreIcon />
        </IconButton>
      )}
      {phone && more && (
        <Box sx={{ flexBasis: "100%", pb: 1 }}>
          {about}
          <CardVersion fit={fit} choose={inHand.choose} />
          {actions}
        </Box>
      )}
      {!phone && <StateChoice state={state} />}
      <Dialog open={choosing} onClose={() => setChoosing(false)} fullWidth maxWidth="sm">
        <DialogTitle>Choose another recipe</DialogTitle>
        <DialogContent>
          <RecipeList
            onChoose={(recipe) => {
              setChoosing(false);
              inHand.choose(startWith(recipe), "history");
            }}
          />
        </DialogContent>
      </Dialog>
      <ShortcutList open={help} onClose={() => setHelp(false)} />
    </Box>
  );
}

/** The states of a fit, one pressed. */
export function StateChoice({ state }: { state: FitStateName }) {
  const goTo = useGoTo();
  return <Choice label="State of the fit" value={state} options={STATES} onChange={goTo} />;
}

function useGoTo() {
  const navigate = useNavigate();
  // From the address itself: it has what was chosen before that is drawn.
  return useCallback(
    (next: FitStateName) => void navigate(`${PATHS[next]}${window.location.search}`),
    [navigate],
  );
}

/** What the recipe is written for; a wall nobody gave is marked as assumed. */
function WrittenFor({ source }: { source: Fit["source"] }) {
  const units = useUnits();
  return (
    <>
      {source.pans.length === 0 && "written for no named pan"}
      {source.pans.map((pan, i) => (
        <span key={pan.label}>
          {i === 0 ? "written for " : " and "}
          {pan.count === 1 ? pan.label : `${String(pan.count)} × ${pan.label}`}
          {pan.wall_assumed && pan.drawing && (
            <>
              , wall <Figure from={WALL_ASSUMED}>{length(pan.drawing.wall_cm, units)}</Figure>
            </>
          )}
        </span>
      ))}
      {source.oven && ` · ${source.oven}`}
      {source.time && ` · ${source.time}`}
    </>
  );
}

const WALL_ASSUMED: Provenance = {
  origin: "assumed",
  note: "the recipe does not give the height of its pan",
  assumptions: [],
};
