import { Alert, Box, Button } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";

import { answered, client } from "../../api/client";
import type { Bake } from "../../api/client";
import { base64Of } from "../../ui/base64";
import { FileInput } from "../../ui/FileInput";

const LARGEST = 8_000_000;

/** The photo of a bake: it stays in the kitchen's own file, without where it was taken. */
export function PhotoField({ bake }: { bake: Bake }) {
  const file = useRef<HTMLInputElement>(null);
  const path = { bake_id: bake.id };
  const put = useMutation({
    mutationFn: async (picture: File) => {
      if (picture.size > LARGEST) throw new Error("A photo of at most 8 MB. Make it smaller.");
      return answered(
        await client.PUT("/api/bakes/{bake_id}/photo", {
          params: { path },
          body: { picture: await base64Of(picture) },
        }),
      );
    },
  });
  const remove = useMutation({
    mutationFn: async () => {
      answered(await client.DELETE("/api/bakes/{bake_id}/photo", { params: { path } }));
    },
  });
  const there = (bake.photo !== null || put.isSuccess) && !remove.isSuccess;
  return (
    <Box sx={{ mt: 2 }}>
      {there && (
        <Box
          component="img"
          src={`/api/bakes/${String(bake.id)}/photo?v=${String(put.submittedAt || bake.photo)}`}
          alt={`Photo of ${bake.recipe_title}`}
          sx={{ display: "block", maxWidth: "100%", maxHeight: 280, borderRadius: 1, mb: 1 }}
        />
      )}
      <Button variant="outlined" disabled={put.isPending} onClick={() => file.current?.click()}>
        {there ? "Another photo" : "Add a photo"}
      </Button>
      {there && (
        <Button disabled={remove.isPending} onClick={() => remove.mutate()}>
          Remove the photo
        </Button>
      )}
      <FileInput
        handle={file}
        accept="image/jpeg,image/png,image/webp"
        testId="bake-photo"
        onFile={(picture) => {
          remove.reset();
          put.mutate(picture);
        }}
      />
      {(put.isError || remove.isError) && (
        <Alert severity="error">{(put.error ?? remove.error)?.message}</Alert>
      )}
    </Box>
  );
}
