import { Box, ButtonBase, Drawer } from "@mui/material";
import { useState } from "react";
import { Link, NavLink, useLocation } from "react-router";

import { BAR } from "../ui/theme";
import { Wordmark } from "../ui/Wordmark";
import { ModeButton } from "./ModeButton";

/** Rooms that are gone to with a thumb; the others lie behind the last place of the bar. */
const AT_HAND: readonly string[] = ["/recipes", "/fit", "/orders", "/day"];

interface PhoneRoomsProps {
  rooms: readonly (readonly [string, string])[];
  kitchen: string;
}

/** On a phone: the rooms in one bar within the thumb's reach, the rarer ones behind its last place. */
export function PhoneRooms({ rooms, kitchen }: PhoneRoomsProps) {
  const [open, setOpen] = useState(false);
  const { pathname } = useLocation();
  const rare = rooms.filter(([path]) => !AT_HAND.includes(path));
  const inRare = rare.some(([path]) => pathname.startsWith(path));
  return (
    <Box
      component="nav"
      aria-label="Rooms"
      className="no-print"
      sx={(t) => ({
        position: "sticky",
        bottom: 0,
        zIndex: 5,
        display: "flex",
        ...BAR,
        borderTop: `3px solid ${t.vars.palette.bench.butter}`,
        pb: "env(safe-area-inset-bottom)",
      })}
    >
      {rooms
        .filter(([path]) => AT_HAND.includes(path))
        .map(([path, name]) => (
          <Box key={path} component={NavLink} to={path} sx={PLACE}>
            {name}
          </Box>
        ))}
      <ButtonBase
        aria-haspopup="dialog"
        className={inRare ? "active" : ""}
        onClick={() => setOpen(true)}
        sx={PLACE}
      >
        {inRare ? rare.find(([path]) => pathname.startsWith(path))?.[1] : "More"}
      </ButtonBase>
      <Drawer
        anchor="bottom"
        open={open}
        onClose={() => setOpen(false)}
        slotProps={{ paper: { role: "dialog", "aria-label": "More rooms" } as object }}
      >
        <Box sx={{ p: 2, display: "grid", gap: 0.5 }}>
          <Box sx={{ display: "flex", alignItems: "center", gap: 1, mb: 1 }}>
            <Box
              component={Link}
              to="/fit"
              onClick={() => setOpen(false)}
              sx={{ color: "inherit", textDecoration: "none", flex: 1 }}
            >
              <Wordmark />
            </Box>
            <ModeButton />
          </Box>
          {rare.map(([path, name]) => (
            <Box
              key={path}
              component={NavLink}
              to={path}
              onClick={() => setOpen(false)}
              sx={{
                color: "inherit",
                textDecoration: "none",
                minHeight: 48,
                display: "flex",
                alignItems: "center",
                fontSize: "size.lead",
                "&.active": { fontWeight: 700 },
              }}
            >
              {name}
            </Box>
          ))}
          <Box sx={{ color: "text.secondary", fontSize: "size.small" }}>{kitchen}</Box>
        </Box>
      </Drawer>
    </Box>
  );
}

const PLACE = {
  flex: 1,
  minWidth: 0,
  minHeight: 52,
  display: "flex",
  alignItems: "center",
  justifyContent: "center",
  color: "inherit",
  textDecoration: "none",
  fontFamily: "inherit",
  fontSize: "size.small",
  lineHeight: 1.5,
  "&.active": { fontWeight: 700, boxShadow: "inset 0 4px 0 var(--mui-palette-bench-butter)" },
} as const;
