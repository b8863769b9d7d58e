import { Box, Typography } from "@mui/material";

import type { Taught } from "../../../api/client";
import { percent } from "../../../domain/numbers";

/** Each bake foretold from those before it alone, beside no learning and rules of thumb. */
export function Scores({ scores }: { scores: Taught["scores"] }) {
  const most = Math.max(...scores.map((one) => one.median ?? 0), 0.01);
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 1, maxWidth: 640 }}>
        Every bake that was right is foretold from the bakes before it and from nothing else. Half
        of them came out nearer to what was said than this:
      </Typography>
      <Box component="dl" sx={{ m: 0, maxWidth: 760 }}>
        {scores.map((one, place) => (
          <Box
            key={one.name}
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0, 1fr) auto", sm: "280px minmax(0, 1fr) 210px" },
              columnGap: 2,
              alignItems: "center",
              py: 0.4,
            }}
          >
            <Typography component="dt" sx={{ fontWeight: place === 0 ? 700 : 400 }}>
              {one.name}
            </Typography>
            <Box
              aria-hidden
              sx={(t) => ({
                display: { xs: "none", sm: "block" },
                height: 12,
                width: `${String(((one.median ?? 0) / most) * 100)}%`,
                minWidth: 2,
                bgcolor: place === 0 ? t.vars.palette.bench.butter : t.vars.palette.bench.track,
              })}
            />
            <Typography component="dd" sx={{ m: 0 }}>
              {one.median === null
                ? "nothing to score yet"
                : `± ${percent(one.median)}${one.inside === null ? "" : `, ${percent(one.inside)} in the window`}`}
            </Typography>
          </Box>
        ))}
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 0.5 }}>
        {`Over ${String(scores[0]?.bakes ?? 0)} bakes. Nine of ten should lie in the window; fewer, and it is too narrow.`}
      </Typography>
    </>
  );
}
