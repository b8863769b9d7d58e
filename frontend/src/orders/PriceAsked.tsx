import { TextField } from "@mui/material";
import { useState } from "react";

import { typedDecimal } from "../domain/numbers";

const MOST = 100_000;

/** What was agreed for an order: null where nothing was, not a number where it cannot be read. */
export function PriceAsked(props: {
  price: number | null;
  onChange: (price: number | null) => void;
}) {
  const [text, setText] = useState(props.price === null ? "" : String(props.price));
  const read = (typed: string) => {
    const value = typedDecimal(typed);
    if (typed.trim() === "") return null;
    return value !== null && value >= 0 && value <= MOST ? value : NaN;
  };
  const wrong = Number.isNaN(read(text));
  return (
    <TextField
      label="Price agreed"
      value={text}
      error={wrong}
      helperText={wrong ? "A price is a number, 0 or more." : undefined}
      onChange={(event) => {
        setText(event.target.value);
        props.onChange(read(event.target.value));
      }}
      slotProps={{ htmlInput: { inputMode: "decimal" } }}
    />
  );
}
