import { IconButton, Tooltip } from "@mui/material";
import { useColorScheme } from "@mui/material/styles";

import { DayIcon, NightIcon } from "../ui/icons";

/** Changes between day and night. */
export function ModeButton() {
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
