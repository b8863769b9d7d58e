import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { labelHabitsQuery } from "../api/queries/labels";
import { PickField } from "../ui/PickField";
import { TypedField } from "../ui/TypedField";
import { AllergenPicker } from "./AllergenPicker";
import { OwnSheetFields } from "./OwnSheetFields";
import { useLabelHabits } from "./useLabelHabits";

const OWN = "own";

/** How this kitchen labels: whose rules, what stands under each, on which sheet. */
export function LabelHabitsForm() {
  const habits = useQuery(labelHabitsQuery());
  const save = useLabelHabits(habits.data);
  const [own, setOwn] = useState(false);
  const [asksMay, setAsksMay] = useState(false);
  if (habits.isError) return <Alert severity="error">{habits.error.message}</Alert>;
  if (!habits.data) return <LinearProgress aria-label="Reading how you label" />;
  const now = habits.data;
  const region = now.regions.find((one) => one.key === now.region);
  return (
    <Box sx={{ display: "grid", gap: 1.5, pt: 1 }}>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5 }}>
        <PickField
          label="Rules of"
          value={now.region}
          options={now.regions.map((one) => [one.key, one.name] as const)}
          onChange={(key) => key && save.mutate({ region: key })}
          sx={{ minWidth: 220 }}
        />
        <PickField
          label="Sheet of labels"
          value={own ? OWN : now.sheet}
          options={[
            ...now.sheets.map((one) => [one.key, one.words] as const),
            [OWN, "My own size"] as const,
          ]}
          onChange={(key) => {
            setOwn(key === OWN);
            if (key && key !== OWN) save.mutate({ sheet: key });
          }}
          sx={{ minWidth: 250 }}
        />
      </Box>
      {region && (
        <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
          {region.source}. {now.local_advice}
        </Typography>
      )}
      {(own || now.sheet === OWN) && (
        <OwnSheetFields
          habits={now}
          onChange={(sheet) => save.mutate({ sheet: OWN, own_sheet: sheet })}
        />
      )}
      <TypedField
        label="Name and address on the label"
        value={now.address || null}
        read={(text) => (text.length <= 200 ? text.trim() : null)}
        write={(value) => value}
        hint="200 letters at most."
        onChange={(next) => save.mutate({ address: next ?? "" })}
      />
      <TypedField
        label="Sentence for a home kitchen"
        value={now.sentence || null}
        read={(text) => (text.length <= 300 ? text.trim() : null)}
        write={(value) => value}
        hint="300 letters at most."
        multiline
        onChange={(next) => save.mutate({ sentence: next ?? "" })}
      />
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {now.home_advice}
      </Typography>
      {asksMay ? (
        <AllergenPicker
          legend="What this kitchen cannot keep out (“May contain”)"
          allergens={now.allergens}
          chosen={now.may_contain}
          onChange={(keys) => save.mutate({ may_contain: keys })}
        />
      ) : (
        <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "center", gap: 1 }}>
          <Typography>
            {now.may_contain.length === 0
              ? "No “may contain” of the kitchen’s own."
              : `May contain: ${now.may_contain
                  .map((key) => now.allergens.find((one) => one.key === key)?.name ?? key)
                  .join(", ")}.`}
          </Typography>
          <Button size="small" onClick={() => setAsksMay(true)}>
            Change what may be in everything
          </Button>
        </Box>
      )}
      {save.isError && <Alert severity="error">{save.error.message}</Alert>}
    </Box>
  );
}
