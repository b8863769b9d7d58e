import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogContent,
  DialogTitle,
  IconButton,
  Menu,
  MenuItem,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";

import type { RackPan } from "../../api/client";
import { typedCount } from "../../domain/numbers";
import { length, volume } from "../../domain/units";
import { useUnits } from "../../ui/useUnits";
import { FileInput } from "../../ui/FileInput";
import { SaidBar } from "../../ui/SaidBar";
import { MoreIcon } from "../../ui/icons";
import { NextButton } from "../../ui/NextButton";
import { Stepper } from "../../ui/Stepper";
import { RackDrawing } from "../../pans/RackDrawing";
import { pansQuery } from "../../api/queries/kitchen";
import { PanForm } from "./PanForm";
import { useRack } from "./useRack";
import type { RackActions } from "./useRack";
import { Room, RoomHead } from "../../ui/Room";
import { Waiting } from "../../ui/Waiting";

type Editing = { kind: "none" } | { kind: "new" } | { kind: "change"; pan: RackPan };

/** The rack: every pan drawn at one scale, how many are owned, and what is known about it. */
export function PansRoom() {
  const rack = useQuery(pansQuery());
  const actions = useRack();
  const [editing, setEditing] = useState<Editing>({ kind: "none" });
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const close = () => {
    actions.save.reset();
    setEditing({ kind: "none" });
  };
  // As it is now: a change made elsewhere in between has been fetched.
  const changing =
    editing.kind === "change"
      ? (rack.data?.find((one) => one.id === editing.pan.id) ?? editing.pan)
      : null;
  const widest = Math.max(1, ...(rack.data ?? []).map((pan) => pan.drawing?.plan_width_cm ?? 1));
  return (
    <Room>
      <RoomHead
        title="Pans"
        main={
          <>
            <NextButton onClick={() => setEditing({ kind: "new" })}>Add a pan</NextButton>
            <IconButton
              aria-label="Files of the rack"
              aria-haspopup="menu"
              onClick={(event) => setMenu(event.currentTarget)}
            >
              <MoreIcon />
            </IconButton>
            <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
              {(["json", "csv"] as const).map((format) => (
                <MenuItem
                  key={format}
                  component="a"
                  href={`/api/rack/file?format=${format}`}
                  download
                  onClick={() => setMenu(null)}
                >
                  Save the rack as {format.toUpperCase()}
                </MenuItem>
              ))}
              <MenuItem
                onClick={() => {
                  setMenu(null);
                  file.current?.click();
                }}
              >
                Add pans from a file
              </MenuItem>
            </Menu>
            <FileInput
              handle={file}
              accept=".json,.csv"
              testId="rack-file"
              onFile={(chosen) => actions.importRack.mutate(chosen)}
            />
          </>
        }
      />
      {rack.isPending && <Waiting words="Fetching the rack" />}
      {rack.isError && <Alert severity="error">{rack.error.message}</Alert>}
      {actions.importRack.isError && (
        <Alert severity="error" onClose={() => actions.importRack.reset()} sx={{ mb: 1 }}>
          {actions.importRack.error.message} No pan was added.
        </Alert>
      )}
      {rack.data?.length === 0 && (
        <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1.5 }}>
          <Typography sx={{ flex: "1 1 320px" }}>
            The rack is empty. Add the first pan: pick its outline, type one or two inside measures,
            or fill it with water and type the grams.
          </Typography>
          <Button component={Link} to="/welcome?step=3">
            Tap them on a shelf of usual sizes
          </Button>
        </Box>
      )}
      <Box
        component="ul"
        aria-label="The rack"
        sx={{
          listStyle: "none",
          m: 0,
          p: 0,
          display: "grid",
          gridTemplateColumns: {
            xs: "repeat(auto-fill, minmax(160px, 1fr))",
            sm: "repeat(auto-fill, minmax(210px, 1fr))",
          },
          gap: 1.25,
        }}
      >
        {rack.data?.map((pan) => (
          <PanTile
            key={pan.id}
            pan={pan}
            scale={Math.min(5.2, 145 / widest)}
            actions={actions}
            onChange={() => setEditing({ kind: "change", pan })}
          />
        ))}
      </Box>
      <Dialog open={editing.kind !== "none"} onClose={close} fullWidth maxWidth="md">
        <DialogTitle sx={{ pr: 13 }}>
          {editing.kind === "change" ? `Change ${editing.pan.label}` : "Add a pan"}
        </DialogTitle>
        <Button onClick={close} sx={{ position: "absolute", top: 12, right: 16 }}>
          Cancel
        </Button>
        <DialogContent>
          {editing.kind !== "none" && (
            <PanForm key={changing?.id ?? "new"} pan={changing} actions={actions} onDone={close} />
          )}
        </DialogContent>
      </Dialog>
      <SaidBar said={actions.said} onDone={actions.clear} />
    </Room>
  );
}

const DAMAGED = "What is kept of it is damaged. Change it, or take it off the rack.";
const PAPERS = ["A4", "Letter"] as const;

function PanTile(props: {
  pan: RackPan;
  scale: number;
  actions: RackActions;
  onChange: () => void;
}) {
  const { pan, scale, actions, onChange } = props;
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const units = useUnits();
  const close = (then: () => void) => () => {
    setMenu(null);
    then();
  };
  const facts = pan.damaged
    ? [DAMAGED]
    : [
        `${volume(pan.capacity_ml, units)}${pan.wells > 1 ? " a well" : ""}`,
        pan.drawing ? `wall ${length(pan.drawing.wall_cm, pan.inches ? "us" : units)}` : "",
        pan.finish === "bright" ? "" : pan.finish,
        pan.loose_base ? "loose base" : "",
      ].filter(Boolean);
  return (
    <Box
      component="li"
      sx={(t) => ({
        display: "flex",
        flexDirection: "column",
        bgcolor: "background.paper",
        border: `1.5px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 1.5,
        p: 1.25,
        gap: 0.5,
      })}
    >
      <Box
        sx={{ flex: 1, minHeight: 120, display: "grid", placeItems: "center" }}
        data-outline={pan.outline}
      >
        <Box sx={{ display: "flex", flexDirection: "column", alignItems: "center", gap: 0.75 }}>
          <RackDrawing pan={pan} scale={scale} section />
        </Box>
      </Box>
      <Box sx={{ display: "flex", alignItems: "center" }}>
        <Typography component="h2" sx={{ flex: 1, fontWeight: 700, lineHeight: 1.2 }}>
          {pan.label}
        </Typography>
        <IconButton
          aria-label={`More for ${pan.label}`}
          aria-haspopup="menu"
          onClick={(event) => setMenu(event.currentTarget)}
          sx={{ my: -0.5, mr: -0.75 }}
        >
          <MoreIcon />
        </IconButton>
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", lineHeight: 1.25 }}>
        {pan.known_by === "capacity" ? "Measured by water: " : ""}
        {facts.join(" · ")}
      </Typography>
      <Box sx={{ display: "flex", alignItems: "center", gap: 1, mt: 0.5 }}>
        <Stepper
          label={`Owned of ${pan.label}`}
          value={pan.owned}
          least={1}
          read={typedCount}
          onChange={(owned) =>
            owned >= 1 &&
            owned <= 99 &&
            actions.save.mutate({
              was: { id: pan.id, base: pan.version },
              pan: { ...bare(pan), label: pan.label },
              owned,
              inches: pan.inches,
            })
          }
        />
        <Typography
          component="span"
          color="textSecondary"
          sx={{ display: { xs: "none", sm: "inline" } }}
        >
          owned
        </Typography>
      </Box>
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        <MenuItem onClick={close(onChange)}>Change</MenuItem>
        {pan.drawing && (
          <MenuItem
            component="a"
            href={`/api/pans/${String(pan.id)}/template`}
            download
            onClick={close(() => undefined)}
          >
            Paper template (SVG)
          </MenuItem>
        )}
        {pan.drawing &&
          PAPERS.map((paper) => (
            <MenuItem
              key={paper}
              component="a"
              href={`/api/pans/${String(pan.id)}/template.pdf?paper=${paper}`}
              download
              onClick={close(() => undefined)}
            >
              Paper template (PDF, {paper})
            </MenuItem>
          ))}
        <MenuItem onClick={close(() => actions.remove.mutate(pan))}>Take off the rack</MenuItem>
      </Menu>
    </Box>
  );
}

/** A pan's measures without those nobody gave. */
function bare(pan: RackPan) {
  return Object.fromEntries(
    Object.entries(pan.measures).filter(([, value]) => value !== null),
  ) as RackPan["measures"];
}
