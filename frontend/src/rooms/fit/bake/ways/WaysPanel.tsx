import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";

import type { FitRequest, OvenView } from "../../../../api/client";
import { insideComparedQuery } from "../../../../api/queries/fit";
import { CareIcon } from "../../../../ui/icons";
import { InsideCells, InsideHeads } from "../inside/InsideCells";

type Way = OvenView["ways"][number];

/** Ways to bake this batter, side by side, and how long it may wait. */
export function WaysPanel({ view, request }: { view: OvenView; request: FitRequest }) {
  const { ways, waiting } = view;
  const inside = useQuery({
    ...insideComparedQuery(request, "ways"),
    enabled: ways.length > 0,
  }).data?.rows;
  if (ways.length === 0) {
    return <Typography sx={{ mt: 2 }}>No way to compare: no pan has a time.</Typography>;
  }
  return (
    <Box sx={{ mt: 2 }}>
      <Typography sx={{ fontSize: "size.strong", mb: 1 }}>
        This batter is {waiting.words}; about {waiting.minutes} min (practice, {waiting.low} to{" "}
        {waiting.high}).
      </Typography>
      <Box sx={{ overflowX: "auto" }}>
        <Table aria-label="Ways to bake" sx={{ "& th, & td": { verticalAlign: "top" } }}>
          <TableHead>
            <TableRow>
              <TableCell>Way</TableCell>
              <TableCell>Each bake</TableCell>
              <TableCell>Last cake out</TableCell>
              <TableCell>Last batter waits</TableCell>
              <TableCell>It needs</TableCell>
              <TableCell>The cake</TableCell>
              <InsideHeads />
            </TableRow>
          </TableHead>
          <TableBody>
            {ways.map((way) => (
              <WayRow key={way.way} way={way}>
                <InsideCells told={inside?.find((one) => one.key === way.way)} waiting={!inside} />
              </WayRow>
            ))}
          </TableBody>
        </Table>
      </Box>
      <Typography color="textSecondary" sx={{ mt: 1, fontSize: "size.small" }}>
        Likely times; each has its window. Rim, dry rim and dome are estimates of the field inside
        the slowest cake. The oven is taken to be hot before the first bake.
      </Typography>
    </Box>
  );
}

function WayRow({ way, children }: { way: Way; children: ReactNode }) {
  const needs = [
    count(way.pans_needed, "pan"),
    count(way.shelves_needed, "shelf", "shelves"),
    way.bakes > 1 ? count(way.bakes, "bake") : "",
  ].filter(Boolean);
  return (
    <TableRow>
      <TableCell component="th" scope="row">
        <strong>{way.name}</strong>
        <br />
        {way.pans}
      </TableCell>
      <TableCell>{way.each_min} min</TableCell>
      <TableCell sx={{ fontSize: "size.lead", fontWeight: 700 }}>{way.last_out_min} min</TableCell>
      <TableCell>
        {way.waits_min === 0 ? (
          "not at all"
        ) : (
          <>
            {way.waits_min} min
            {way.too_long && (
              <Box component="span" sx={{ display: "flex", gap: 0.5, fontWeight: 700 }}>
                <CareIcon fontSize="small" /> too long for it; mix it later
              </Box>
            )}
          </>
        )}
      </TableCell>
      <TableCell>{needs.join(", ")}</TableCell>
      <TableCell>
        {way.overflows ? <strong>{way.overflows}</strong> : way.evenness}
        {way.after && (
          <Box component="span" sx={{ display: "block", color: "text.secondary" }}>
            {way.after}
          </Box>
        )}
      </TableCell>
      {children}
    </TableRow>
  );
}

function count(number: number, one: string, many = `${one}s`): string {
  return `${String(number)} ${number === 1 ? one : many}`;
}
