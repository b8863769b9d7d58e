import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";

import { answered, client } from "../../api/client";
import type { Day, Device, Heard, Play } from "../../api/client";
import { devicesQuery } from "../../api/queries/running";
import { grams } from "../../domain/numbers";
import { heat, type Units } from "../../domain/units";
import { useUnits } from "../../ui/useUnits";

interface DevicesProps {
  day: Day;
  heard: ReadonlyMap<number, Heard>;
  onClose: () => void;
}

/** Scales and probes that are let in; stand-ins can be played with. */
export function DevicesDialog({ day, heard, onClose }: DevicesProps) {
  const units = useUnits();
  const devices = useQuery(devicesQuery());
  const { add, remove, watch, play } = useDevices(day);
  const bakes = day.steps.filter((one) => one.kind === "bake" && one.stand === "running");
  const error = add.error ?? remove.error ?? watch.error ?? play.error;
  return (
    <Dialog
      open
      onClose={onClose}
      disableRestoreFocus
      fullWidth
      maxWidth="sm"
      aria-labelledby="devices-title"
    >
      <DialogTitle id="devices-title">Scale and probe</DialogTitle>
      <DialogContent>
        {devices.data?.length === 0 && (
          <Typography sx={{ mb: 1 }}>
            None is let in. Everything works by hand; a stand-in shows what one does.
          </Typography>
        )}
        {error && <Alert severity="error">{error.message}</Alert>}
        {devices.data?.map((device) => {
          const now = heard.get(device.id);
          const acts = device.kind === "scale" ? SCALE : PROBE;
          return (
            <Box
              key={device.id}
              component="section"
              aria-label={device.name}
              sx={{ py: 1.5, borderBottom: 1, borderColor: "divider" }}
            >
              <Box sx={{ display: "flex", gap: 1, alignItems: "baseline" }}>
                <Typography sx={{ flex: 1, fontWeight: 700 }}>{device.name}</Typography>
                <Typography variant="quantity">{reading(now, units)}</Typography>
                <Button size="small" onClick={() => remove.mutate(device)}>
                  Take away
                </Button>
              </Box>
              {!device.simulated && (
                <Typography color="textSecondary" sx={{ overflowWrap: "anywhere" }}>
                  {`It sends its readings to /api/devices/${device.key}/readings`}
                </Typography>
              )}
              {device.kind === "probe" &&
                bakes.map((bake) => {
                  const on = device.watches === `${String(day.id)}:${bake.key}`;
                  return (
                    <Button
                      key={bake.key}
                      size="small"
                      variant={on ? "contained" : "outlined"}
                      aria-pressed={on}
                      onClick={() => watch.mutate({ device, step: on ? "" : bake.key })}
                    >
                      {`It is in ${bake.words}`}
                    </Button>
                  );
                })}
              {device.kind === "probe" && bakes.length === 0 && (
                <Typography color="textSecondary">No bake is in the oven.</Typography>
              )}
              {device.simulated && (
                <Box sx={{ display: "flex", flexWrap: "wrap", gap: 0.5, mt: 1 }}>
                  {acts.map(({ words, body }) => (
                    <Button
                      key={words}
                      size="small"
                      variant="outlined"
                      onClick={() => play.mutate({ device, body })}
                    >
                      {words}
                    </Button>
                  ))}
                </Box>
              )}
            </Box>
          );
        })}
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 2 }}>
          {(["scale", "probe"] as const).flatMap((kind) => [
            <Button
              key={`${kind}-real`}
              variant="outlined"
              onClick={() => add.mutate({ kind, simulated: false })}
            >
              {`Let a ${kind} in`}
            </Button>,
            <Button key={`${kind}-simulated`} onClick={() => add.mutate({ kind, simulated: true })}>
              {`Stand-in ${kind}`}
            </Button>,
          ])}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

const SCALE: { words: string; body: Play }[] = [
  { words: "Put the bowl on, 300 g", body: { do: "pour", g: 300 } },
  { words: "Pour 100 g", body: { do: "pour", g: 100 } },
  { words: "Pour 10 g", body: { do: "pour", g: 10 } },
  { words: "Take 10 g out", body: { do: "pour", g: -10 } },
  { words: "Tare", body: { do: "tare", g: 0 } },
  { words: "Lift off", body: { do: "lift", g: 0 } },
  { words: "Battery", body: { do: "battery", g: 0 } },
  { words: "Link", body: { do: "link", g: 0 } },
];

const PROBE: { words: string; body: Play }[] = [
  { words: "Open the door", body: { do: "door", g: 0 } },
  { words: "Pull the probe", body: { do: "probe_out", g: 0 } },
  { words: "Link", body: { do: "link", g: 0 } },
];

function reading(heard: Heard | undefined, units: Units): string {
  if (!heard || heard.ago_s === null || heard.ago_s > 10) return "silent";
  if (heard.kind === "scale") {
    if (heard.overload) return "too much";
    return heard.g === null ? "silent" : `${grams(heard.g)} g${heard.stable ? "" : " …"}`;
  }
  const of = (c: number | null) => (c === null ? "–" : heat(c, units));
  return `${of(heard.centre_c)}, air ${of(heard.air_c)}`;
}

/** Letting devices in and out, putting a probe into a bake, and playing a stand-in. */
function useDevices(day: Day) {
  const add = useMutation({
    mutationFn: async ({ kind, simulated }: { kind: Device["kind"]; simulated: boolean }) => {
      const name = `${simulated ? "Stand-in" : "Kitchen"} ${kind}`;
      const made = answered(await client.POST("/api/devices", { body: { kind, name, simulated } }));
      if (simulated) await play.mutateAsync({ device: made, body: { do: "lift", g: 0 } });
      return made;
    },
  });
  const remove = useMutation({
    mutationFn: async (device: Device) => {
      answered(
        await client.DELETE("/api/devices/{device_id}", {
          params: { path: { device_id: device.id } },
        }),
      );
    },
  });
  const watch = useMutation({
    mutationFn: async ({ device, step }: { device: Device; step: string }) =>
      answered(
        await client.PUT("/api/devices/{device_id}/watch", {
          params: { path: { device_id: device.id } },
          body: { day: step ? day.id : null, step },
        }),
      ),
  });
  const play = useMutation({
    mutationFn: async ({ device, body }: { device: Device; body: Play }) =>
      answered(
        await client.POST("/api/devices/{device_id}/play", {
          params: { path: { device_id: device.id } },
          body,
        }),
      ),
  });
  return { add, remove, watch, play };
}
