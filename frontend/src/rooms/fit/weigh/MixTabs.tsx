import { Box } from "@mui/material";

import type { FitMix } from "../../../api/client";
import { grams } from "../../../domain/numbers";
import { Choice } from "../../../ui/Choice";

/** A tab for every mix, and one for what is not mixed. */
export function MixTabs(props: {
  mixes: readonly FitMix[];
  shown: string;
  rest: boolean;
  onChange: (shown: string) => void;
}) {
  const { mixes, shown, rest, onChange } = props;
  const tabs = mixes.map((mix, place) => ({
    value: String(place),
    label: (
      <Box component="span" sx={{ py: 0.5, lineHeight: 1.15 }}>
        Mix {place + 1} of {mixes.length}
        <Box component="span" sx={{ display: "block", fontSize: "size.tiny", fontWeight: 400 }}>
          {mix.eggs === null ? "" : `${String(Math.round(mix.eggs * 100) / 100)} eggs, `}
          {grams(mix.batter_g)} g
        </Box>
      </Box>
    ),
  }));
  return (
    <Box sx={{ mb: 1 }}>
      <Choice
        label="Which mix"
        value={shown}
        options={rest ? [...tabs, { value: "rest", label: "Not in the bowl" }] : tabs}
        onChange={onChange}
        wrap
      />
    </Box>
  );
}
