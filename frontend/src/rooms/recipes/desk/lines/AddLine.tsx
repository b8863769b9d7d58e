import { LONGEST_LINE } from "../../../../api/bounds";
import { InputBase } from "@mui/material";
import { useState } from "react";

/** A line typed at the end: Enter adds it, several pasted lines are added one by one. */
export function AddLine(props: {
  label: string;
  example: string;
  busy: boolean;
  onAdd: (text: string) => void;
}) {
  const [text, setText] = useState("");
  const add = () => {
    const rows = text.split("\n").filter((row) => row.trim() !== "");
    rows.forEach(props.onAdd);
    setText("");
  };
  return (
    <InputBase
      value={text}
      onChange={(event) => setText(event.target.value)}
      onKeyDown={(event) => {
        if (event.key === "Enter") {
          event.preventDefault();
          if (text.trim()) add();
        }
      }}
      onBlur={() => text.trim() && add()}
      placeholder={`+ ${props.label}${props.example}`}
      inputProps={{ "aria-label": props.label, maxLength: LONGEST_LINE }}
      fullWidth
      sx={(t) => ({
        minHeight: 38,
        px: 0.75,
        borderRadius: 1,
        "& input::placeholder": { color: t.vars.palette.text.secondary, opacity: 1 },
        "&.Mui-focused": {
          bgcolor: t.vars.palette.background.default,
          boxShadow: `inset 0 -3px 0 ${t.vars.palette.bench.butter}`,
        },
      })}
    />
  );
}
