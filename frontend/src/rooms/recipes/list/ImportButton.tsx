import { Alert, Button, Dialog, DialogActions, DialogContent, DialogTitle } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";
import { useNavigate } from "react-router";

import { LARGEST_FILE } from "../../../api/bounds";
import { answered, client, KitchenProblem } from "../../../api/client";
import { FileInput } from "../../../ui/FileInput";
import { keepDraft, newDraftName } from "../drafts";

/** Bring in a file: it is read, laid on the desk, and kept only when it is saved there. */
export function ImportButton() {
  const navigate = useNavigate();
  const input = useRef<HTMLInputElement>(null);
  const read = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > LARGEST_FILE) {
        throw new Error("This file is larger than 3 MB, which is too large to be a recipe.");
      }
      const text = await file.text();
      const result = await client.POST("/api/readings", { body: { text, name: file.name } });
      return answered(result);
    },
    onSuccess: (answer) => {
      const name = newDraftName();
      keepDraft(name, {
        card: answer.card,
        base: 0,
        found: answer.found,
        imported: true,
      });
      void navigate(`/recipes/new?draft=${name}`);
    },
  });
  const problem = read.error instanceof KitchenProblem ? read.error.message : read.error?.message;
  return (
    <>
      <FileInput
        handle={input}
        accept=".json,.jsonld,.html,.htm,.md,.markdown,.txt,application/json,text/*"
        testId="recipe-file"
        onFile={(chosen) => read.mutate(chosen)}
      />
      <Button variant="outlined" disabled={read.isPending} onClick={() => input.current?.click()}>
        {read.isPending ? "Reading…" : "Bring in a file"}
      </Button>
      <Dialog open={read.isError} onClose={() => read.reset()}>
        <DialogTitle>This file could not be read</DialogTitle>
        <DialogContent>
          <Alert severity="error">{problem}</Alert>
          <p>
            Nothing was kept. A saved web page, a JSON or JSON-LD file, Markdown and plain text can
            be read.
          </p>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => read.reset()}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
