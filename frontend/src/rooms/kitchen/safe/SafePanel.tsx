import { Alert, Box, Button, LinearProgress, Typography } from "@mui/material";
import { useRef } from "react";

import { FileInput } from "../../../ui/FileInput";
import { SaidBar } from "../../../ui/SaidBar";
import { copyWords, sizeWords, whyWords } from "./copyWords";
import { LookDialog } from "./LookDialog";
import { useSafe } from "./useSafe";

/** The whole kitchen as one file: made by hand and by itself, looked into, brought back. */
export function SafePanel() {
  const safe = useSafe();
  const file = useRef<HTMLInputElement>(null);
  const { copies, make, look, bringIn, restore } = safe;
  const busy = make.isPending || look.isPending || bringIn.isPending || restore.isPending;
  const failed = [make, look, bringIn].find((one) => one.isError)?.error ?? null;
  const newest = copies.data?.copies[0];
  return (
    <Box sx={{ pt: 1 }}>
      <Typography>
        {newest
          ? `Last copied ${copyWords(newest)}.`
          : "Not copied yet. The first copy is made by itself once you have worked here."}{" "}
        Every day you work here makes one, and so does every update.
      </Typography>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, my: 1 }}>
        <Button variant="contained" disabled={busy} onClick={() => make.mutate()}>
          Copy now
        </Button>
        <Button disabled={busy} onClick={() => file.current?.click()}>
          Bring a copy in
        </Button>
        <FileInput
          handle={file}
          accept=".zip,.sqlite3"
          testId="copy-file"
          onFile={(chosen) => bringIn.mutate(chosen)}
        />
      </Box>
      {busy && <LinearProgress aria-label="Working on a copy" />}
      {failed && (
        <Alert severity="error" sx={{ mb: 1 }}>
          {failed.message}
        </Alert>
      )}
      {copies.isError && <Alert severity="error">{copies.error.message}</Alert>}
      <Box component="ul" aria-label="Copies" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {copies.data?.copies.map((copy) => (
          <Box
            component="li"
            key={copy.name}
            sx={{
              display: "flex",
              flexWrap: "wrap",
              alignItems: "center",
              columnGap: 1,
              borderBottom: 1,
              borderColor: "divider",
            }}
          >
            <Typography component="span" sx={{ flex: 1, minWidth: 200 }}>
              {copyWords(copy)}{" "}
              <Box component="span" sx={{ color: "text.secondary", fontSize: "size.small" }}>
                {whyWords(copy)}, {sizeWords(copy.bytes)}
              </Box>
            </Typography>
            <Button
              size="small"
              disabled={busy}
              aria-label={`Look into the copy of ${copyWords(copy)}`}
              onClick={() => look.mutate(copy.name)}
            >
              Look
            </Button>
            <Button
              size="small"
              component="a"
              href={`/api/copies/${copy.name}`}
              download
              aria-label={`Save the copy of ${copyWords(copy)}`}
            >
              Save
            </Button>
          </Box>
        ))}
      </Box>
      {copies.data && (
        <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 1 }}>
          Kept are one of each of the last {copies.data.days} days it was used, and the last{" "}
          {copies.data.most} each that you made, that were made before an update and before a copy
          was brought back. They lie in the folder “copies” beside the kitchen’s file, on this
          machine alone: save one to another disk now and then. A copy holds everything you entered;
          look after it.
        </Typography>
      )}
      {safe.looked && (
        <LookDialog
          looked={safe.looked}
          busy={restore.isPending}
          problem={restore.isError ? restore.error.message : null}
          onRestore={() => safe.looked && restore.mutate(safe.looked.copy_file.name)}
          onClose={safe.leave}
        />
      )}
      <SaidBar said={safe.said} onDone={safe.clear} />
    </Box>
  );
}
