import { Button } from "@mui/material";
import type { ButtonProps } from "@mui/material";
import { Link } from "react-router";

/** The chip of butter yellow: what to touch next. */
export function NextButton({ to, ...props }: ButtonProps & { to?: string }) {
  const link = to === undefined ? {} : { component: Link, to };
  return (
    <Button
      variant="contained"
      {...props}
      {...link}
      sx={(t) => ({
        bgcolor: t.vars.palette.bench.butter,
        color: t.vars.palette.bench.onButter,
        "&:hover": { bgcolor: t.vars.palette.bench.butter },
      })}
    />
  );
}
