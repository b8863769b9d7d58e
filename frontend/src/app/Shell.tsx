import { Box, IconButton, Link as MuiLink, Tooltip } from "@mui/material";
import { useColorScheme } from "@mui/material/styles";
import { useQuery } from "@tanstack/react-query";
import { Link, NavLink, Outlet } from "react-router";

import { kitchenQuery } from "../rooms/fit/queries";
import { DayIcon, NightIcon } from "../ui/icons";
import { Wordmark } from "../ui/Wordmark";

/** The frame of every room: wordmark, rooms, kitchen, day and night. */
export function Shell() {
  const kitchen = useQuery(kitchenQuery());
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
      <Box
        component="header"
        className="no-print"
        sx={(t) => ({
          display: "flex",
          alignItems: "center",
          gap: { xs: 1.5, sm: 3 },
          px: { xs: 1.5, sm: 3 },
          height: 52,
          flexShrink: 0,
          bgcolor: "#1d3f8f",
          color: "#fff",
          borderBottom: `3px solid ${t.vars.palette.bench.butter}`,
        })}
      >
        <Box component={Link} to="/fit" sx={{ color: "inherit", textDecoration: "none" }}>
          <Wordmark />
        </Box>
        <Box component="nav" aria-label="Rooms" sx={{ flex: 1 }}>
          <Box
            component={NavLink}
            to="/fit"
            sx={{
              color: "inherit",
              textDecoration: "none",
              display: "inline-flex",
              alignItems: "center",
              height: 44,
              px: 0.5,
              fontWeight: 700,
            }}
          >
            Fit
          </Box>
        </Box>
        <Box component="span" sx={{ display: { xs: "none", sm: "inline" } }}>
          {kitchen.data
            ? `${kitchen.data.name} · scale reads to ${kitchen.data.scale_step_g} g`
            : ""}
        </Box>
        <ModeButton />
      </Box>
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
        <Outlet />
      </Box>
    </Box>
  );
}

function ModeButton() {
  const { mode, systemMode, setMode } = useColorScheme();
  const night = (mode === "system" ? systemMode : mode) === "dark";
  const label = night ? "Change to light" : "Change to dark";
  return (
    <Tooltip title={label}>
      <IconButton
        color="inherit"
        aria-label={label}
        onClick={() => setMode(night ? "light" : "dark")}
      >
        {night ? <DayIcon /> : <NightIcon />}
      </IconButton>
    </Tooltip>
  );
}
