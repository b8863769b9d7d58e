import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../../api/client";
import type { Revision } from "../../../../api/client";
import { compareQuery, revisionsQuery } from "../../../../api/queries/recipes";
import type { DeskInHand } from "../useDesk";
import { DifferenceList } from "./DifferenceList";
import { HERE, yearWords } from "../../../../domain/moments";
import { Waiting } from "../../../../ui/Waiting";

const MADE: Record<string, string> = {
  new: "new card",
  edited: "edited",
  imported: "brought in",
  duplicated: "copied",
  restored: "restored",
};

const at = (time: string) => yearWords(time, HERE);

/** Every version of the card; any can be compared with another, and brought back. */
export function RevisionsPanel({ desk }: { desk: DeskInHand }) {
  if (desk.id === null) {
    return <Typography>Save the card first; from then on every save is a revision.</Typography>;
  }
  return <Revisions desk={desk} id={desk.id} />;
}

function Revisions({ desk, id }: { desk: DeskInHand; id: number }) {
  const head = desk.draft?.base ?? 1;
  const list = useQuery(revisionsQuery(id, head));
  const [chosen, setChosen] = useState<number | null>(null);
  const against = chosen === null ? null : chosen === head ? head - 1 : chosen;
  const differences = useQuery({
    ...compareQuery(id, against ?? 1, head),
    enabled: against !== null && against > 0,
  });
  const restore = useMutation({
    mutationFn: async (revision: number) =>
      answered(
        await client.POST("/api/recipes/{recipe_id}/restore", {
          params: { path: { recipe_id: id } },
          body: { revision, base: head },
        }),
      ),
    onSuccess: (answer) => {
      desk.take(answer.card, answer.revision);
      setChosen(null);
    },
  });
  if (list.isPending) return <Waiting words="Fetching the revisions" />;
  if (list.isError) return <Alert severity="error">{list.error.message}</Alert>;
  return (
    <>
      {desk.dirty && (
        <Alert severity="info" sx={{ mb: 1, py: 0 }}>
          Changes on the desk are not saved yet; save them before you bring an older revision back.
        </Alert>
      )}
      {restore.isError && <Alert severity="error">{restore.error.message}</Alert>}
      <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {list.data.map((one) => (
          <Box
            component="li"
            key={one.number}
            sx={{ borderBottom: 1, borderColor: "divider", py: 0.5 }}
          >
            <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center" }}>
              <Typography component="span" sx={{ fontWeight: 700, minWidth: 96 }}>
                Revision {one.number}
              </Typography>
              <Typography component="span" color="textSecondary" sx={{ flex: 1 }}>
                {words(one)}, {at(one.saved_at)}
              </Typography>
              {(one.number > 1 || head > 1) && (
                <Button
                  aria-expanded={chosen === one.number}
                  onClick={() => setChosen(chosen === one.number ? null : one.number)}
                >
                  {one.number === head ? "What it changed" : `Compare with ${String(head)}`}
                </Button>
              )}
              {one.number !== head && (
                <Button
                  disabled={desk.dirty || restore.isPending}
                  onClick={() => restore.mutate(one.number)}
                >
                  Restore
                </Button>
              )}
            </Box>
            {chosen === one.number && differences.data && (
              <DifferenceList differences={differences.data} />
            )}
          </Box>
        ))}
      </Box>
    </>
  );
}

function words(one: Revision): string {
  const made = MADE[one.made] ?? one.made;
  return one.made === "restored" && one.of !== null ? `${made} from ${String(one.of)}` : made;
}
