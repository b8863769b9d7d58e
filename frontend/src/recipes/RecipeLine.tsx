import { Box, Typography } from "@mui/material";

import type { RecipeRow } from "../api/client";
import { HERE, shortDay as dayThere } from "../domain/moments";
import { clock } from "../domain/numbers";
import { RackDrawing } from "../pans/RackDrawing";

/** One scale for all pans of a list, px per cm. */
const SCALE = 1.9;
const DRAWN = 2;

const shortDay = (moment: string) => dayThere(moment, HERE);

/** A recipe in a list: the pans it is written for drawn small, its title, what there is to it. */
export function RecipeLine({ recipe }: { recipe: RecipeRow }) {
  return (
    <Box
      component="span"
      sx={{ display: "flex", alignItems: "center", gap: 2, width: "100%", minWidth: 0 }}
    >
      <Box
        component="span"
        aria-hidden
        sx={{
          width: { xs: 76, sm: 118 },
          flexShrink: 0,
          display: "flex",
          justifyContent: "center",
          alignItems: "flex-end",
          gap: 0.75,
        }}
      >
        {recipe.pans.slice(0, DRAWN).map((pan) => (
          <Box
            component="span"
            key={pan.label}
            sx={{ display: "flex", flexDirection: "column", alignItems: "center", gap: 0.25 }}
          >
            <RackDrawing pan={pan} scale={recipe.pans.length > 1 ? SCALE * 0.75 : SCALE} section />
          </Box>
        ))}
      </Box>
      <Box
        component="span"
        sx={{
          flex: 1,
          minWidth: 0,
          display: "flex",
          flexWrap: "wrap",
          justifyContent: "space-between",
          columnGap: 3,
        }}
      >
        <Box component="span" sx={{ flex: "1 1 260px", minWidth: 0 }}>
          <Typography
            component="span"
            sx={{ fontWeight: 700, fontSize: "size.strong", display: "block", lineHeight: 1.25 }}
          >
            {recipe.title}
          </Typography>
          <Typography component="span" sx={{ mr: 1 }}>
            {[
              recipe.feeds ? `feeds ${String(recipe.feeds)}` : "",
              recipe.hands_min ? `${clock(recipe.hands_min)} of hands` : "",
              recipe.all_min ? `${clock(recipe.all_min)} in all` : "",
              recipe.last_baked ? `last baked ${shortDay(recipe.last_baked)}` : "",
            ]
              .filter(Boolean)
              .join(" · ")}
          </Typography>
          <Typography
            component="span"
            color="textSecondary"
            sx={{ display: { xs: "none", sm: "inline" } }}
          >
            {[
              recipe.note,
              recipe.style,
              ...recipe.tags,
              recipe.uses_up.length > 0 ? `uses up ${recipe.uses_up.join(", ")}` : "",
            ]
              .filter(Boolean)
              .join(" · ")}
          </Typography>
        </Box>
        <Box
          component="span"
          sx={{ flex: "0 0 auto", textAlign: { sm: "right" }, color: "text.secondary" }}
        >
          <Typography component="span" sx={{ display: "block" }}>
            {recipe.written_for}
          </Typography>
          <Typography component="span">
            {recipe.damaged
              ? "damaged: open it to bring an earlier revision back"
              : [recipe.oven, recipe.time].filter(Boolean).join(" · ") || "not settled yet"}
          </Typography>
        </Box>
      </Box>
    </Box>
  );
}
