import {
  Box,
  Button,
  IconButton,
  InputBase,
  Menu,
  MenuItem,
  Snackbar,
  Tooltip,
  Typography,
} from "@mui/material";
import { useState } from "react";
import { Link, useNavigate } from "react-router";

import { LONGEST_TITLE } from "../../../api/bounds";
import { KitchenProblem } from "../../../api/client";
import type { Card } from "../../../api/client";
import { HIDDEN } from "../../../ui/hidden";
import { MoreIcon, RedoIcon, UndoIcon } from "../../../ui/icons";
import { NextButton } from "../../../ui/NextButton";
import { useListActions } from "../list/useListActions";
import type { ListActions } from "../list/useListActions";
import { ExportDialog } from "./ExportDialog";
import type { DeskInHand } from "./useDesk";

/** Title of the card, whether it is kept, and what can be done with all of it. */
export function DeskHead({ desk, card }: { desk: DeskInHand; card: Card }) {
  const [exporting, setExporting] = useState(false);
  const actions = useListActions();
  const { save, id } = desk;
  const conflict =
    save.error instanceof KitchenProblem && save.error.problem?.code === "edited_meanwhile";
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        gap: 0.75,
        px: { xs: 1.5, sm: 2.5 },
        py: 0.75,
      }}
    >
      <h1 style={HIDDEN}>{card.title}</h1>
      <InputBase
        value={card.title}
        onChange={(event) => desk.edit((now) => ({ ...now, title: event.target.value }))}
        onFocus={(event) =>
          card.title === "Untitled card" && (event.target as HTMLInputElement).select()
        }
        inputProps={{ "aria-label": "Title of the card", maxLength: LONGEST_TITLE }}
        sx={(t) => ({
          flex: "1 1 320px",
          ...t.typography.roomTitle,
          minHeight: 44,
          px: 0.75,
          ml: -0.75,
          borderRadius: 1,
          "& input": { p: 0, height: 40 },
          "&:hover": { bgcolor: "background.paper" },
          "&.Mui-focused": {
            bgcolor: "background.paper",
            boxShadow: `inset 0 -3px 0 ${t.vars.palette.bench.butter}`,
          },
        })}
      />
      <Typography role="status" color="textSecondary" sx={{ fontSize: "size.note" }}>
        {save.isPending
          ? "Saving…"
          : desk.dirty
            ? id === null
              ? "not saved yet"
              : "changes not saved"
            : `revision ${String(desk.draft?.base ?? 1)}, saved`}
      </Typography>
      <Tooltip title="Undo (Ctrl+Z)">
        <span>
          <IconButton aria-label="Undo" disabled={!desk.canUndo} onClick={desk.undo}>
            <UndoIcon />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title="Redo (Ctrl+Shift+Z)">
        <span>
          <IconButton
            aria-label="Redo"
            disabled={!desk.canRedo}
            onClick={desk.redo}
            sx={{ display: { xs: "none", sm: "inline-flex" } }}
          >
            <RedoIcon />
          </IconButton>
        </span>
      </Tooltip>
      <NextButton disabled={!desk.dirty || save.isPending} onClick={() => save.mutate(undefined)}>
        Save
      </NextButton>
      <Button
        component={Link}
        to={`/fit?recipe=${String(id ?? 0)}&revision=${String(desk.draft?.base ?? 1)}&opens=yes`}
        variant="outlined"
        disabled={id === null || desk.dirty}
      >
        Fit it
      </Button>
      <MoreOfCard desk={desk} card={card} actions={actions} onExport={() => setExporting(true)} />
      {id !== null && (
        <ExportDialog
          open={exporting}
          onClose={() => setExporting(false)}
          recipe={id}
          variants={card.variants}
        />
      )}
      <Snackbar
        open={save.isError && !conflict}
        message={`Not saved. ${save.error?.message ?? ""}`}
        onClose={() => save.reset()}
        action={
          <Button color="inherit" onClick={() => save.mutate(undefined)}>
            Try again
          </Button>
        }
      />
      <Snackbar
        open={actions.said !== null}
        message={actions.said?.words}
        autoHideDuration={8000}
        onClose={actions.clear}
      />
    </Box>
  );
}

interface MoreOfCardProps {
  desk: DeskInHand;
  card: Card;
  actions: ListActions;
  onExport: () => void;
}

/** What else can be done with a card. */
function MoreOfCard({ desk, card, actions, onExport }: MoreOfCardProps) {
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const navigate = useNavigate();
  const { id } = desk;
  const close = (then: () => void) => () => {
    setMenu(null);
    then();
  };
  const row = { id: id ?? 0, title: card.title };
  return (
    <>
      <IconButton
        aria-label="More for this card"
        aria-haspopup="menu"
        onClick={(event) => setMenu(event.currentTarget)}
      >
        <MoreIcon />
      </IconButton>
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        <MenuItem disabled={id === null || desk.dirty} onClick={close(onExport)}>
          Save as a file
        </MenuItem>
        <MenuItem
          disabled={id === null || desk.dirty}
          onClick={close(() => actions.duplicate.mutate(row))}
        >
          Duplicate
        </MenuItem>
        {id !== null && (
          <MenuItem
            onClick={close(() =>
              actions.putAway.mutate(
                { recipe: row, archived: !desk.archived },
                { onSuccess: () => void navigate("/recipes") },
              ),
            )}
          >
            {desk.archived ? "Bring back" : "Put away"}
          </MenuItem>
        )}
        <MenuItem disabled={!desk.dirty} onClick={close(desk.drop)}>
          Drop the changes
        </MenuItem>
      </Menu>
    </>
  );
}
