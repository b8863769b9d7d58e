import { Button, Menu, MenuItem, Snackbar } from "@mui/material";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../api/client";
import type { FitFormat, FitRequest } from "../../../api/client";
import { SaveIcon } from "../../../ui/icons";
import { savedFile } from "../../../ui/saving";

const FORMATS: readonly { value: FitFormat; label: string }[] = [
  { value: "markdown", label: "Markdown, to read and send" },
  { value: "json_ld", label: "JSON-LD, for other programs" },
];

/** The cake at its new size, finished, as a file. */
export function SaveFile({ request }: { request: FitRequest | null }) {
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const save = useMutation({
    mutationFn: async (kind: FitFormat) => {
      if (request === null) throw new Error("Choose pans first.");
      return answered(
        await client.POST("/api/fit/file/{kind}", { params: { path: { kind } }, body: request }),
      );
    },
    onSuccess: savedFile,
  });
  return (
    <>
      <Button
        startIcon={<SaveIcon />}
        aria-haspopup="menu"
        disabled={save.isPending || !request?.into?.length}
        onClick={(event) => setMenu(event.currentTarget)}
      >
        Save
      </Button>
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        {FORMATS.map(({ value, label }) => (
          <MenuItem
            key={value}
            onClick={() => {
              setMenu(null);
              save.mutate(value);
            }}
          >
            {label}
          </MenuItem>
        ))}
      </Menu>
      <Snackbar
        open={save.isError}
        message={`Not saved. ${save.error?.message ?? ""}`}
        autoHideDuration={8000}
        onClose={() => save.reset()}
      />
    </>
  );
}
