import {
  Alert,
  Box,
  Button,
  Checkbox,
  FormControlLabel,
  Radio,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { Fit, FitRequest, OvenView } from "../../../../api/client";
import { insideComparedQuery } from "../../../../api/queries/fit";
import { FindingRow } from "../../../../ui/FindingRow";
import type { FitChoicesInHand } from "../../shared/useFitChoices";
import { InsideCells, InsideHeads } from "../inside/InsideCells";
import { HeightAdvice } from "./HeightAdvice";
import { Treatments } from "./Treatments";

interface HeatPanelProps {
  fit: Fit;
  request: FitRequest;
  view: OvenView;
  inHand: FitChoicesInHand;
  altitude: boolean;
  onAltitude: (wanted: boolean) => void;
}

/** The temperature schools side by side, and what else changes a bake. */
export function HeatPanel(props: HeatPanelProps) {
  const { fit, request, view, inHand, altitude, onAltitude } = props;
  const lead = view.lead === null ? null : fit.pans[view.lead];
  const findings = [
    ...fit.findings.filter((one) => OVEN_FINDINGS.has(one.code)),
    ...view.findings.filter((one) => one.code === "never_hotter"),
  ];
  return (
    <Box sx={{ mt: 2 }}>
      {view.schools.length === 0 ? (
        <Alert severity="info">
          {fit.oven.name} has one heat of its own, so there is no temperature to choose.
        </Alert>
      ) : (
        <AllSchools view={view} inHand={inHand} of={lead?.label ?? null} request={request} />
      )}
      <Treatments fit={fit} inHand={inHand} />
      {findings.map((finding) => (
        <FindingRow key={`${finding.code}-${String(finding.entry)}`} finding={finding} />
      ))}
      <FormControlLabel
        control={
          <Checkbox checked={altitude} onChange={(event) => onAltitude(event.target.checked)} />
        }
        label="What bakers change high above the sea"
      />
      {view.height && <HeightAdvice height={view.height} />}
    </Box>
  );
}

const OVEN_FINDINGS = new Set([
  "own_setting_apart",
  "crust_limit",
  "dial_lacks_setting",
  "own_heat",
  "close_elements",
  "own_heat_into_oven",
  "phases_differ",
]);

type SchoolsProps = Pick<HeatPanelProps, "view" | "inHand" | "request">;

/** The schools side by side; one line where they come to the same. */
function AllSchools({ view, inHand, request, of }: SchoolsProps & { of: string | null }) {
  const [apart, setApart] = useState(false);
  const [first, ...others] = view.schools;
  const agree = others.every(
    (one) => one.dial === first?.dial && one.likely_min === first.likely_min,
  );
  if (first && agree && !apart) {
    return (
      <Typography>
        All {view.schools.length} schools come to the same here: <strong>{first.dial}</strong>
        {first.likely_min === null
          ? ""
          : `, look at ${String(first.first_look_min)}, likely ${String(first.likely_min)}, no later than ${String(first.latest_min)} min`}
        .{" "}
        <Button size="small" onClick={() => setApart(true)}>
          Side by side
        </Button>
      </Typography>
    );
  }
  return (
    <>
      <Typography component="h2" sx={{ fontWeight: 700, fontSize: "size.strong" }}>
        Bakers disagree on the temperature{of === null ? "" : `: ${of}, the slowest here`}
      </Typography>
      <Box sx={{ overflowX: "auto" }}>
        <Schools view={view} inHand={inHand} request={request} />
      </Box>
    </>
  );
}

function Schools({ view, inHand, request }: SchoolsProps) {
  const inside = useQuery(insideComparedQuery(request, "schools")).data?.rows;
  return (
    <Table size="small" aria-label="Temperature schools">
      <TableHead>
        <TableRow>
          <TableCell>School</TableCell>
          <TableCell>Oven</TableCell>
          <TableCell>Look at · likely · latest</TableCell>
          <TableCell>Crust against the recipe&apos;s</TableCell>
          <InsideHeads />
        </TableRow>
      </TableHead>
      <TableBody>
        {view.schools.map((row) => {
          const chosen = row.school === inHand.choices.temperature;
          return (
            <TableRow
              key={row.school}
              selected={chosen}
              sx={(t) => ({
                "&.Mui-selected, &.Mui-selected:hover": {
                  bgcolor: t.vars.palette.bench.butterTint,
                },
              })}
            >
              <TableCell component="th" scope="row" sx={{ p: 0 }}>
                <FormControlLabel
                  control={
                    <Radio
                      name="school"
                      checked={chosen}
                      onChange={() => inHand.choose({ temperature: row.school })}
                    />
                  }
                  label={row.name}
                  sx={{ m: 0, minHeight: 44 }}
                />
              </TableCell>
              <TableCell sx={{ fontWeight: 700, whiteSpace: "nowrap" }}>{row.dial}</TableCell>
              <TableCell sx={{ whiteSpace: "nowrap" }}>
                {row.likely_min === null
                  ? "no time"
                  : `${String(row.first_look_min)} · ${String(row.likely_min)} · ${String(row.latest_min)}`}
              </TableCell>
              <TableCell>{row.crust}</TableCell>
              <InsideCells
                told={inside?.find((one) => one.key === row.school)}
                waiting={!inside}
                dome={row.dome}
              />
            </TableRow>
          );
        })}
      </TableBody>
    </Table>
  );
}
