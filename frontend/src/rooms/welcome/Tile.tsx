import { ButtonBase, Typography } from "@mui/material";

interface TileProps {
  title: string;
  words: string;
  onClick: () => void;
  chosen?: boolean;
  disabled?: boolean;
}

/** One of the first morning's answers: its name over what it means. */
export function Tile({ title, words, onClick, chosen = false, disabled = false }: TileProps) {
  return (
    <ButtonBase
      aria-current={chosen || undefined}
      disabled={disabled}
      onClick={onClick}
      sx={(t) => ({
        display: "block",
        textAlign: "left",
        p: 1.75,
        borderRadius: 2,
        border: `2px solid ${chosen ? t.vars.palette.bench.butter : t.vars.palette.bench.rim}`,
        bgcolor: "background.paper",
        "&:hover": { bgcolor: t.vars.palette.bench.butterTint },
      })}
    >
      <Typography component="span" sx={{ display: "block", fontWeight: 700 }}>
        {title}
      </Typography>
      <Typography component="span" color="textSecondary" sx={{ fontSize: "size.small" }}>
        {words}
      </Typography>
    </ButtonBase>
  );
}
