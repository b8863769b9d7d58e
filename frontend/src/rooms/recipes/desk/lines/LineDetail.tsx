import { Box, Button, Checkbox, FormControlLabel, IconButton, Typography } from "@mui/material";

import type { Card, CardLine, Desk, DeskLine } from "../../../../api/client";
import { DownIcon, UpIcon } from "../../../../ui/icons";
import { PickField } from "../../../../ui/PickField";
import { COMPONENTS, FREE_GROWTH, GROWTH } from "../../words";
import { withLine, withLineMoved, withoutLine } from "../changes";
import { IngredientPicker } from "./IngredientPicker";
import { OwnWeight } from "./OwnWeight";
import { SplitEditor } from "./SplitEditor";
import { useRememberName } from "./useRememberName";

interface LineDetailProps {
  line: CardLine;
  card: Card;
  seen: Desk | null;
  shown: DeskLine | undefined;
  edit: (change: (card: Card) => Card) => void;
  onOpen: (open: boolean) => void;
}

/** What can be settled about one line: what it is, what it weighs, where it goes, how it splits. */
export function LineDetail({ line, card, shown, edit, onOpen }: LineDetailProps) {
  const change = (part: Partial<CardLine>) => edit((now) => withLine(now, { ...line, ...part }));
  const remember = useRememberName(line.name);
  const component = card.components.find((one) => one.key === line.component);
  const found = shown?.ingredient ?? null;
  return (
    <Box sx={{ px: 0.75, pt: 1.25, pb: 1, display: "grid", gap: 0.75 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1 }}>
        <IngredientPicker
          value={found}
          typed={line.name}
          onPick={(one) => {
            if (line.name) remember.mutate(one?.key ?? "");
            change({ ingredient: one?.key ?? "", state: "", name: line.name || (one?.name ?? "") });
          }}
        />
        {card.components.length > 1 && (
          <PickField
            label="Belongs to"
            value={String(line.component)}
            options={card.components.map(
              (one) => [String(one.key), one.title || COMPONENTS[one.kind]] as const,
            )}
            onChange={(key) => key && change({ component: Number(key) })}
            sx={{ minWidth: 150 }}
          />
        )}
        {component && FREE_GROWTH.includes(component.kind) && (
          <PickField
            label="Grows with"
            value={line.scales_by}
            none="its component"
            options={Object.entries(GROWTH) as [keyof typeof GROWTH, string][]}
            onChange={(scales_by) => change({ scales_by })}
            sx={{ minWidth: 150 }}
          />
        )}
      </Box>
      {shown?.origin && (
        <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
          {shown.origin.note}
          {shown.percent !== null && `; ${shown.percent.toFixed(0)} % of the flour`}
          {found && found.allergens.length > 0 && `; contains ${found.allergens.join(", ")}`}
        </Typography>
      )}
      {found && <OwnWeight ingredient={found} />}
      {line.amount && <SplitEditor line={line} card={card} edit={edit} />}
      {line.instead.length > 0 && (
        <Typography sx={{ fontSize: "size.note" }}>
          Or {line.instead.map((one) => `${one.written} ${one.name}`.trim()).join(", or ")}: chosen
          in the fit.
        </Typography>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 0.5 }}>
        <FormControlLabel
          control={
            <Checkbox
              checked={line.optional}
              onChange={(event) => change({ optional: event.target.checked })}
            />
          }
          label="Optional"
          sx={{ mr: 1 }}
        />
        <IconButton
          aria-label="Move up"
          onClick={() => edit((now) => withLineMoved(now, line.key, -1))}
        >
          <UpIcon />
        </IconButton>
        <IconButton
          aria-label="Move down"
          onClick={() => edit((now) => withLineMoved(now, line.key, 1))}
        >
          <DownIcon />
        </IconButton>
        <Button
          onClick={() => {
            onOpen(false);
            edit((now) => withoutLine(now, line.key));
          }}
        >
          Take the line away
        </Button>
        <Box sx={{ flex: 1 }} />
        <Button onClick={() => onOpen(false)}>Close</Button>
      </Box>
    </Box>
  );
}
