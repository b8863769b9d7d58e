import { Box, Table, TableBody, TableCell, TableRow, Typography } from "@mui/material";

import type { OvenView } from "../../../../api/client";
import { heat } from "../../../../domain/units";
import { useUnits } from "../../../../ui/useUnits";

/** Advice for a high kitchen, beside the fit and never in it. */
export function HeightAdvice({ height }: { height: NonNullable<OvenView["height"]> }) {
  const units = useUnits();
  return (
    <Box component="section" aria-label="High above the sea">
      <Typography>
        At {height.altitude_m} m water boils at {heat(height.boiling_c, units, 1)}.{" "}
        {height.rows.length === 0 && "Below 900 m bakers change nothing."}
      </Typography>
      {height.rows.length > 0 && (
        <Table size="small" aria-label="Changes for that height">
          <TableBody>
            {height.rows.map((row) => (
              <TableRow key={row.what}>
                <TableCell component="th" scope="row">
                  {row.what}
                </TableCell>
                <TableCell>{row.now}</TableCell>
                <TableCell sx={{ fontWeight: 700 }}>{row.high}</TableCell>
                <TableCell>{row.why}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      )}
      <Typography color="textSecondary" sx={{ mt: 0.5 }}>
        {height.source} {height.caution}
      </Typography>
    </Box>
  );
}
