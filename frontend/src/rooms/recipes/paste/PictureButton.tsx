import { Alert, Box, Button, LinearProgress } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";

import { answered, client } from "../../../api/client";
import { readersQuery } from "../../../api/queries/recipes";
import { base64Of } from "../../../ui/base64";
import { FileInput } from "../../../ui/FileInput";

/** A photo or a scan of a recipe, read where this machine can, and shown for checking. */
export function PictureButton({ onText }: { onText: (text: string) => void }) {
  const readers = useQuery(readersQuery());
  const input = useRef<HTMLInputElement>(null);
  const [shown, setShown] = useState<string | null>(null);
  useEffect(
    () => () => {
      if (shown) URL.revokeObjectURL(shown);
    },
    [shown],
  );
  const read = useMutation({
    mutationFn: async (file: File) => {
      setShown(URL.createObjectURL(file));
      const picture = await base64Of(file);
      return answered(await client.POST("/api/readings/picture", { body: { picture } }));
    },
    onSuccess: (answer) => onText(answer.text),
  });
  if (!readers.data?.picture) return null;
  return (
    <Box sx={{ px: 2.5, pb: 1.5 }}>
      <FileInput handle={input} accept="image/*" testId="picture-file" onFile={read.mutate} />
      <Button size="small" variant="outlined" onClick={() => input.current?.click()}>
        Read a photo
      </Button>
      {read.isPending && <LinearProgress aria-label="Reading the photo" sx={{ mt: 1 }} />}
      {read.isError && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {read.error.message}
        </Alert>
      )}
      {shown && (
        <Box
          component="img"
          src={shown}
          alt="The photo that was read, to check the text by"
          sx={{ display: "block", mt: 1, maxWidth: "100%", maxHeight: 320, objectFit: "contain" }}
        />
      )}
    </Box>
  );
}
