import { Box, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";

import { answered, client, KitchenProblem } from "../../../api/client";
import type { Card } from "../../../api/client";
import { draftNameOf, dropDraft } from "../drafts";
import { compareQuery, recipeQuery } from "../../../api/queries/recipes";
import { DifferenceList } from "./revisions/DifferenceList";
import type { DeskInHand } from "./useDesk";
import { cutTo } from "../../../domain/words";

/** Another tab saved this card first: both versions live, and the baker says how to go on. */
export function ConflictDialog({ desk, card }: { desk: DeskInHand; card: Card }) {
  const { save, id } = desk;
  const conflict =
    save.error instanceof KitchenProblem && save.error.problem?.code === "edited_meanwhile";
  return conflict && id !== null ? <Conflict desk={desk} card={card} id={id} /> : null;
}

function Conflict({ desk, card, id }: { desk: DeskInHand; card: Card; id: number }) {
  const navigate = useNavigate();
  const newest = useQuery({ ...recipeQuery(id), queryKey: ["recipe", id, "conflict"] });
  const base = desk.draft?.base ?? 1;
  const head = newest.data?.revision ?? base;
  const theirs = useQuery({ ...compareQuery(id, base, head), enabled: head > base });
  const copy = useMutation({
    mutationFn: async () => {
      const body = { card: { ...card, title: `${cutTo(card.title, 108)} (mine)` } };
      return answered(await client.POST("/api/recipes", { body }));
    },
    onSuccess: (answer) => {
      dropDraft(draftNameOf(id));
      void navigate(`/recipes/${String(answer.row.id)}`);
    },
  });
  return (
    <Dialog open onClose={() => desk.save.reset()} fullWidth maxWidth="sm">
      <DialogTitle>This card was saved elsewhere meanwhile</DialogTitle>
      <DialogContent>
        <Box sx={{ mb: 1.5 }}>
          You began with revision {base}; it is now at {head}. Yours is still on the desk, nothing
          is lost.
        </Box>
        {theirs.data && (
          <>
            <strong>What changed there</strong>
            <DifferenceList differences={theirs.data} />
          </>
        )}
      </DialogContent>
      <DialogActions sx={{ flexWrap: "wrap", gap: 0.5 }}>
        <Button onClick={() => desk.save.reset()}>Keep working</Button>
        <Button
          onClick={() => {
            if (newest.data) desk.take(newest.data.card, newest.data.revision);
            desk.save.reset();
          }}
        >
          Take theirs
        </Button>
        <Button disabled={copy.isPending} onClick={() => copy.mutate()}>
          Save mine as a copy
        </Button>
        <Button variant="contained" disabled={!newest.data} onClick={() => desk.save.mutate(head)}>
          Save mine on top
        </Button>
      </DialogActions>
    </Dialog>
  );
}
