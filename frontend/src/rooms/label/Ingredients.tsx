import { Box, ButtonBase, Typography } from "@mui/material";
import { useState } from "react";

import type { Label, LabelRow } from "../../api/client";
import { grams, percent } from "../../domain/numbers";
import { PacketDialog } from "./PacketDialog";
import type { LabelInHand } from "./useLabel";

/** A share as the label writes it: small ones with a tenth. */
const share = (value: number) => (value < 0.01 ? `${(value * 100).toFixed(1)} %` : percent(value));

interface IngredientsProps {
  label: Label;
  names: (key: string) => string;
  settle: LabelInHand["settle"];
}

/** What goes in, in falling order: each with how its allergens are known; a tap settles it. */
export function Ingredients({ label, names, settle }: IngredientsProps) {
  const [open, setOpen] = useState<LabelRow | null>(null);
  const waiting = label.rows.filter((row) => !row.known);
  const known = label.rows.filter((row) => row.known);
  return (
    <>
      {waiting.length > 0 && (
        <>
          <Typography component="h3" sx={{ fontWeight: 700 }}>
            To be settled first
          </Typography>
          <Rows rows={waiting} names={names} onOpen={setOpen} />
        </>
      )}
      <Typography component="h3" sx={{ fontWeight: 700, mt: waiting.length > 0 ? 1.5 : 0 }}>
        What goes in{" "}
        <Box component="span" sx={{ fontWeight: 400, color: "text.secondary" }}>
          one cake, worked out
        </Box>
      </Typography>
      <Rows rows={known} names={names} onOpen={setOpen} />
      {open && <PacketDialog row={open} settle={settle} onClose={() => setOpen(null)} />}
    </>
  );
}

function Rows(props: {
  rows: readonly LabelRow[];
  names: (key: string) => string;
  onOpen: (row: LabelRow) => void;
}) {
  return (
    <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
      {props.rows.map((row) => (
        <Box component="li" key={row.key} sx={{ borderBottom: 1, borderColor: "divider" }}>
          <ButtonBase
            onClick={() => props.onOpen(row)}
            sx={(t) => ({
              width: "100%",
              minHeight: 44,
              display: "grid",
              gridTemplateColumns: "minmax(0, 1fr) auto",
              columnGap: 1,
              textAlign: "left",
              fontFamily: t.typography.fontFamily,
              fontSize: "size.body",
              alignItems: "center",
              px: 0.5,
              ...(!row.known && { bgcolor: t.vars.palette.bench.butterTint }),
            })}
          >
            <Box component="span">
              {row.name}
              <Box
                component="span"
                sx={{ display: "block", fontSize: "size.small", color: "text.secondary" }}
              >
                {row.contains.length > 0 && (
                  <Box component="strong" sx={{ color: "text.primary" }}>
                    {row.known ? "" : "at least "}
                    {row.contains.map(props.names).join(", ")}
                    {" · "}
                  </Box>
                )}
                {row.known_words}
              </Box>
            </Box>
            <Box component="span" sx={{ fontVariantNumeric: "tabular-nums", fontWeight: 650 }}>
              {row.g === null ? "not weighed" : `${grams(row.g)} g`}
              {row.percent !== null && (
                <Box component="span" sx={{ fontWeight: 400 }}>
                  {` · ${share(row.percent)}`}
                </Box>
              )}
            </Box>
          </ButtonBase>
        </Box>
      ))}
    </Box>
  );
}
