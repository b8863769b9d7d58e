import { Box, Link as MuiLink, useMediaQuery } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Suspense } from "react";
import { Link, NavLink, Outlet } from "react-router";

import { kitchenQuery } from "../api/queries/kitchen";
import { Waiting } from "../ui/Waiting";
import { BAR } from "../ui/theme";
import { Wordmark } from "../ui/Wordmark";
import { ModeButton } from "./ModeButton";
import { PhoneRooms } from "./PhoneRooms";
import { useOthers } from "./useOthers";
import { useTitleFocus } from "./useTitleFocus";

/** Rooms that are built, in the order of the work. */
const ROOMS = [
  ["/recipes", "Recipes"],
  ["/pans", "Pans"],
  ["/fit", "Fit"],
  ["/orders", "Orders"],
  ["/day", "Bake day"],
  ["/logbook", "Logbook"],
  ["/learn", "Learn"],
  ["/kitchen", "Kitchen"],
] as const;

/** The frame of every room: wordmark, rooms, kitchen, day and night. */
export function Shell() {
  const kitchen = useQuery(kitchenQuery());
  const phone = useMediaQuery((t) => t.breakpoints.down("sm"), { noSsr: true });
  const words = kitchen.data
    ? `${kitchen.data.name} · scale reads to ${String(kitchen.data.scale_step_g)} g`
    : "";
  useOthers();
  useTitleFocus();
  return (
    <Box
      sx={{
        minHeight: "100dvh",
        display: "flex",
        flexDirection: "column",
        "@media screen": { height: { lg: "100dvh" } },
      }}
    >
      <MuiLink
        href="#work"
        sx={{ position: "absolute", left: -9999, "&:focus": { left: 8, top: 8, zIndex: 9 } }}
      >
        To the work
      </MuiLink>
      {!phone && (
        <Box
          component="header"
          className="no-print"
          sx={(t) => ({
            display: "flex",
            alignItems: "center",
            gap: { xs: 1.5, sm: 3 },
            px: { xs: 1.5, sm: 3 },
            minHeight: 52,
            flexShrink: 0,
            ...BAR,
            borderBottom: `3px solid ${t.vars.palette.bench.butter}`,
          })}
        >
          <Box component={Link} to="/fit" sx={{ color: "inherit", textDecoration: "none" }}>
            <Wordmark />
          </Box>
          <Box
            component="nav"
            aria-label="Rooms"
            sx={{
              flex: 1,
              // On a phone they fold into a second row, so that no word is cut.
              display: "flex",
              flexWrap: "wrap",
              columnGap: { xs: 1.25, sm: 2 },
              fontSize: { xs: "size.small", sm: "size.body" },
              minWidth: 0,
            }}
          >
            {ROOMS.map(([path, name]) => (
              <Box
                key={path}
                component={NavLink}
                to={path}
                sx={(t) => ({
                  color: "inherit",
                  textDecoration: "none",
                  whiteSpace: "nowrap",
                  display: "inline-flex",
                  alignItems: "center",
                  height: { xs: 44, sm: 49 },
                  px: 0.5,
                  "&.active": {
                    fontWeight: 700,
                    boxShadow: `inset 0 -4px 0 ${t.vars.palette.bench.butter}`,
                  },
                })}
              >
                {name}
              </Box>
            ))}
          </Box>
          <Box component="span" sx={{ display: { xs: "none", md: "inline" } }}>
            {words}
          </Box>
          <ModeButton />
        </Box>
      )}
      <Box
        component="main"
        id="work"
        sx={{
          flex: 1,
          display: "flex",
          flexDirection: "column",
          "@media screen": { minHeight: { lg: 0 }, overflowY: { lg: "auto" } },
        }}
      >
        <Suspense fallback={<Waiting words="Opening the room" />}>
          <Outlet />
        </Suspense>
      </Box>
      {phone && <PhoneRooms rooms={ROOMS} kitchen={words} />}
    </Box>
  );
}
