import { InputBase } from "@mui/material";

import { useSearchKey } from "./useSearchKey";

interface SearchFieldProps {
  label: string;
  placeholder: string;
  value: string;
  onChange: (words: string) => void;
}

/** A search that answers as one types; "/" jumps to it. */
export function SearchField({ label, placeholder, value, onChange }: SearchFieldProps) {
  const field = useSearchKey();
  return (
    <InputBase
      inputRef={field}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      placeholder={placeholder}
      fullWidth
      inputProps={{ "aria-label": label, type: "search" }}
      sx={(t) => ({
        px: 2,
        minHeight: 48,
        bgcolor: "background.paper",
        border: `1.5px solid ${t.vars.palette.bench.rim}`,
        borderRadius: 1,
        "&.Mui-focused": { boxShadow: `0 0 0 3px ${t.vars.palette.bench.butter}` },
      })}
    />
  );
}
