import { Box, Table, TableBody, TableCell, TableHead, TableRow, Typography } from "@mui/material";

import type { Label } from "../../api/client";
import { heat } from "../../domain/units";
import { useUnits } from "../../ui/useUnits";

/** How each part keeps, which one decides. */
export function Keeps({ label }: { label: Label }) {
  const units = useUnits();
  return (
    <>
      <Table size="small" aria-label="How it keeps">
        <TableHead>
          <TableRow>
            <TableCell>Part</TableCell>
            <TableCell>Cool</TableCell>
            <TableCell>Chilled</TableCell>
            <TableCell>Frozen</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {label.keeps.map((part) => (
            <TableRow key={part.name} selected={part.decides}>
              <TableCell component="th" scope="row" sx={{ fontWeight: part.decides ? 700 : 400 }}>
                {part.name}
                {part.decides ? " (decides)" : ""}
              </TableCell>
              <TableCell>{part.cool}</TableCell>
              <TableCell>{part.chilled}</TableCell>
              <TableCell>{part.frozen}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 0.5 }}>
        Practice; your local food rules come first. Cool is under {heat(20, units)} and covered,
        chilled {heat(5, units)} at most. The label goes by the short end.
      </Typography>
    </>
  );
}

/** What goes with the cake: the card, as it will be read. */
export function CardDrawn({ label }: { label: Label }) {
  const { card } = label;
  return (
    <Box sx={{ "& p": { mb: 0.5 } }}>
      {[...card.keep, card.cut, ...card.not_food].filter(Boolean).map((line) => (
        <Typography key={line}>{line}</Typography>
      ))}
      {label.ready &&
        card.allergens.map((line) => (
          <Typography key={line} sx={{ fontWeight: 700 }}>
            {line}
          </Typography>
        ))}
    </Box>
  );
}

/** Nutrients per 100 g and per cake or piece, or what is missing for them. */
export function Nutrients({ label }: { label: Label }) {
  const number = (value: number | null, unit: string) =>
    value === null ? "not known" : `${value < 10 ? value.toFixed(1) : value.toFixed(0)} ${unit}`;
  if (label.nutrition.length === 0) {
    return (
      <Typography>
        Not enough is known:{" "}
        {label.nutrition_missing.length > 0
          ? `the food table has nothing for ${label.nutrition_missing.join(", ")}.`
          : "this cake has no weight."}
      </Typography>
    );
  }
  return (
    <>
      <Table size="small" aria-label="Nutrients, worked out">
        <TableHead>
          <TableRow>
            <TableCell>Worked out</TableCell>
            <TableCell>in 100 g</TableCell>
            <TableCell>in {label.net_words}</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {label.nutrition.map((row) => (
            <TableRow key={`${row.name} ${row.unit}`}>
              <TableCell component="th" scope="row">
                {row.name}
              </TableCell>
              <TableCell>{number(row.per_100g, row.unit)}</TableCell>
              <TableCell>{number(row.each, row.unit)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 0.5 }}>
        {label.nutrition_note}
      </Typography>
    </>
  );
}
