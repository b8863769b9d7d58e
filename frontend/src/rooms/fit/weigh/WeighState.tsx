import { Box, Button, ButtonBase, Snackbar, Typography } from "@mui/material";
import { useState } from "react";

import type { Fit, FitRequest } from "../../../api/client";
import { Choice } from "../../../ui/Choice";
import { Figure } from "../../../ui/Figure";
import { TickIcon } from "../../../ui/icons";
import { CautionNote } from "../shared/CautionNote";
import { Method } from "../shared/Method";
import { Forgotten } from "./Forgotten";
import { BowlBar } from "../mixing/BowlBar";
import { WeighBowl } from "../mixing/WeighBowl";
import { ShareSteps } from "../shares/ShareSteps";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { MixTabs } from "./MixTabs";
import { Preparing } from "./Preparing";
import { HaveReady } from "./HaveReady";
import { ORDERS, useOrder } from "./useOrder";
import { useTicks } from "./useTicks";
import { byMethod, groupsOf, mixWeighings, restOf } from "./weighings";
import type { Weighing, WeighGroup } from "./weighings";

/** Signs of an amount that a phone has room for beside its name, at its full size. */
const LONG = 9;

interface WeighStateProps {
  fit: Fit;
  request: FitRequest;
  inHand: FitChoicesInHand;
}

/** The card alone, large, with a tick for everything that is in the bowl; a tab for each mix. */
export function WeighState({ fit, request, inHand }: WeighStateProps) {
  const { ticks, toggle, replace } = useTicks(request);
  const [cleared, setCleared] = useState<ReadonlySet<string> | null>(null);
  const [tab, setTab] = useState("0");
  const split = fit.mixes.length > 1;
  const rest = split ? restOf(fit) : [];
  const shown = tab === "rest" && rest.length > 0 ? tab : fit.mixes[Number(tab)] ? tab : "0";
  const mix = split && shown !== "rest" ? fit.mixes[Number(shown)] : undefined;
  const byCard: WeighGroup[] = mix
    ? [{ title: null, weighings: mixWeighings(mix, fit, Number(shown)) }]
    : groupsOf(split ? rest : fit.lines.filter((line) => line.included));
  const [order, setOrder] = useOrder();
  const groups = order === "method" ? byMethod(byCard, fit) : byCard;
  const all = groups.flatMap((group) => group.weighings);
  const done = all.filter((one) => ticks.has(one.key)).length;
  if (fit.factor === null) {
    return (
      <Typography sx={{ p: 3 }}>Choose pans first; then there is something to weigh.</Typography>
    );
  }
  return (
    <Box
      component="section"
      aria-label="Weigh"
      sx={(t) => ({
        mx: { xs: 1, sm: 1.75 },
        mb: 1.5,
        p: { xs: 1.5, sm: 2.5 },
        bgcolor: "background.paper",
        border: `2px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 2,
        flex: 1,
      })}
    >
      <Before fit={fit} />
      <BowlBar fit={fit} inHand={inHand} />
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", my: 1 }}>
        <Typography aria-live="polite" sx={{ fontWeight: 650, flex: 1, minWidth: 100 }}>
          {done === all.length ? "All in." : `${String(done)} of ${String(all.length)} in`}
        </Typography>
        {fit.method.bench.length > 0 && (
          <Choice
            label="In which order"
            size="small"
            value={order}
            options={ORDERS}
            onChange={setOrder}
          />
        )}
        <Button
          disabled={done === 0}
          onClick={() => {
            setCleared(ticks);
            replace(new Set());
          }}
        >
          Clear ticks
        </Button>
      </Box>
      {split && (
        <MixTabs mixes={fit.mixes} shown={shown} rest={rest.length > 0} onChange={setTab} />
      )}
      {groups.map((group) => (
        <OneGroup key={group.title ?? "mix"} group={group} ticks={ticks} onToggle={toggle} />
      ))}
      {fit.opened.map((one) => (
        <Typography key={one.line}>
          {one.name}: {one.text}.
        </Typography>
      ))}
      <WeighBowl
        // Another bowl, or another number of mixes, is weighed anew.
        key={`${String(fit.bowl?.id)}/${String(fit.mixes.length)}`}
        fit={fit}
        inHand={inHand}
      />
      {fit.shares.length > 0 && (
        <Box component="section" aria-label="Shares of the batter" sx={{ mt: 2 }}>
          {fit.shares.map((share) => (
            <ShareSteps key={share.name} share={share} />
          ))}
        </Box>
      )}
      {fit.steps.length > 0 && (
        <Box sx={{ mt: 2, mb: 1.5, fontSize: "size.strong" }}>
          <Typography
            component="h2"
            sx={(t) => ({ fontWeight: 700, color: t.vars.palette.bench.rim })}
          >
            Method
          </Typography>
          <Method steps={fit.steps} notes={fit.method} drawn />
          <Forgotten late={fit.method.late} />
        </Box>
      )}
      <CautionNote texts={fit.cautions.weigh} />
      <Snackbar
        open={cleared !== null}
        message="Ticks cleared."
        autoHideDuration={8000}
        onClose={() => setCleared(null)}
        action={
          <Button
            color="inherit"
            onClick={() => {
              if (cleared) replace(cleared);
              setCleared(null);
            }}
          >
            Undo
          </Button>
        }
      />
    </Box>
  );
}

function TickRow(props: { weighing: Weighing; ticked: boolean; onToggle: () => void }) {
  const { weighing, ticked, onToggle } = props;
  return (
    <ButtonBase
      role="checkbox"
      aria-checked={ticked}
      onClick={onToggle}
      sx={(t) => ({
        width: "100%",
        minHeight: 58,
        display: "flex",
        gap: 1.5,
        px: 0.5,
        textAlign: "left",
        borderBottom: `1px solid ${t.vars.palette.divider}`,
        borderRadius: 0,
      })}
    >
      <Box
        aria-hidden
        sx={(t) => ({
          width: 34,
          height: 34,
          flexShrink: 0,
          borderRadius: 1,
          border: `2px solid ${ticked ? t.vars.palette.bench.leaf : t.vars.palette.bench.rim}`,
          color: t.vars.palette.background.paper,
          bgcolor: ticked ? t.vars.palette.bench.leaf : "transparent",
          display: "grid",
          placeItems: "center",
        })}
      >
        {ticked && <TickIcon />}
      </Box>
      <Typography
        component="span"
        sx={{
          flex: 1,
          fontSize: "size.lead",
          lineHeight: 1.2,
          ...(ticked && { color: "text.secondary", textDecoration: "line-through" }),
        }}
      >
        {weighing.name}
      </Typography>
      <Box sx={{ textAlign: "right", maxWidth: "70%", flex: "none" }}>
        <Typography
          variant="quantityLarge"
          sx={{
            fontSize:
              weighing.lead.length > LONG ? { xs: "size.title", sm: "size.huge" } : "size.huge",
            whiteSpace: "normal",
            textWrap: "balance",
          }}
        >
          <Figure from={weighing.from} wraps={weighing.lead.length > LONG}>
            {weighing.lead}
          </Figure>
        </Typography>
        {weighing.second && (
          <Typography
            component="span"
            color="textSecondary"
            sx={{ display: "block", lineHeight: 1 }}
          >
            {weighing.second}
          </Typography>
        )}
      </Box>
    </ButtonBase>
  );
}

/** What is done and laid out before anything is weighed. */
function Before({ fit }: { fit: Fit }) {
  return (
    <Box sx={{ display: "flex", flexWrap: "wrap", columnGap: 4 }}>
      <Box sx={{ flex: "1 1 340px", minWidth: 0 }}>
        <Preparing pans={fit.pans} />
      </Box>
      <Box sx={{ flex: "1 1 340px", minWidth: 0 }}>
        <HaveReady tools={fit.method.tools} />
      </Box>
    </Box>
  );
}

interface OneGroupProps {
  group: WeighGroup;
  ticks: ReadonlySet<string>;
  onToggle: (key: string) => void;
}

/** What is weighed under one heading. */
function OneGroup({ group, ticks, onToggle }: OneGroupProps) {
  return (
    <Box sx={{ mb: 1 }}>
      {group.title && (
        <Typography
          component="h2"
          sx={(t) => ({ fontWeight: 700, color: t.vars.palette.bench.rim, mb: 0.5 })}
        >
          {group.title}
        </Typography>
      )}
      <Box
        component="ul"
        sx={{
          listStyle: "none",
          m: 0,
          p: 0,
          columns: { xs: 1, md: 2 },
          columnGap: 4,
          "& > li": { breakInside: "avoid" },
        }}
      >
        {group.weighings.map((one) => (
          <li key={one.key}>
            <TickRow
              weighing={one}
              ticked={ticks.has(one.key)}
              onToggle={() => onToggle(one.key)}
            />
          </li>
        ))}
      </Box>
    </Box>
  );
}
