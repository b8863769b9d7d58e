import { Box, Typography } from "@mui/material";

import type { Label } from "../../api/client";
import { Figure } from "../../ui/Figure";

/** The label as it will be read. */
export function LabelDrawn({ label, names }: { label: Label; names: (key: string) => string }) {
  const list = label.rows.filter((row) => row.known);
  const waits = label.rows.length - list.length;
  return (
    <Box
      component="article"
      aria-label="The label"
      sx={(t) => ({
        // Paper is white by night too.
        bgcolor: "#fff",
        color: "#14213d",
        border: `1px solid ${t.vars.palette.bench.rim}`,
        p: { xs: 2, sm: 3 },
        maxWidth: 620,
        "& p": { lineHeight: 1.3, mb: 0.75 },
      })}
    >
      <Typography component="h2" sx={{ fontWeight: 800, fontSize: "size.title", mb: 1 }}>
        {label.title}
      </Typography>
      <Typography>
        Ingredients:{" "}
        {label.rows.map((row, place) => (
          <span key={row.key}>
            {place > 0 && ", "}
            {row.known ? (
              row.said.map((one, piece) =>
                one.strong ? (
                  <strong key={piece}>{one.text}</strong>
                ) : (
                  <span key={piece}>{one.text}</span>
                ),
              )
            ) : (
              <Box component="mark" sx={{ bgcolor: "#ffe7a3", color: "inherit" }}>
                {row.name} (?)
              </Box>
            )}
          </span>
        ))}
        .
      </Typography>
      {waits === 0 && label.contains.length > 0 && (
        <Typography sx={{ fontWeight: 700 }}>
          Contains: {label.contains.map(names).join(", ")}.
        </Typography>
      )}
      {label.may_contain.length > 0 && (
        <Typography>May contain: {label.may_contain.map(names).join(", ")}.</Typography>
      )}
      <Typography>
        Net weight <Figure from={label.net_origin}>{label.net_words}</Figure>. Made on{" "}
        {label.made_words}. {label.until_words}. {label.keep_words} Lot {label.lot}.
      </Typography>
      {label.own_lines.map((line) => (
        <Typography key={line}>{line}</Typography>
      ))}
    </Box>
  );
}
