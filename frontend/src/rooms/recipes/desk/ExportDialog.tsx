import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../api/client";
import type { CardVariant, ExportFormat } from "../../../api/client";
import { Choice } from "../../../ui/Choice";
import { PickField } from "../../../ui/PickField";
import { savedFile } from "../../../ui/saving";

const FORMATS: readonly { value: ExportFormat; label: string }[] = [
  { value: "own", label: "Whole card (JSON)" },
  { value: "json_ld", label: "JSON-LD" },
  { value: "markdown", label: "Markdown" },
  { value: "csv", label: "CSV of the lines" },
];

interface ExportDialogProps {
  open: boolean;
  onClose: () => void;
  recipe: number;
  variants: readonly CardVariant[];
}

/** Save a card as a file; what the format cannot hold is listed first. */
export function ExportDialog({ open, onClose, recipe, variants }: ExportDialogProps) {
  const [format, setFormat] = useState<ExportFormat>("own");
  const [variant, setVariant] = useState<string | null>(null);
  const file = useQuery({
    queryKey: ["export", recipe, format, variant],
    queryFn: async ({ signal }) =>
      answered(
        await client.GET("/api/recipes/{recipe_id}/export", {
          params: {
            path: { recipe_id: recipe },
            query: { format, ...(variant === null ? {} : { variant: Number(variant) }) },
          },
          signal,
        }),
      ),
    enabled: open,
    gcTime: 0,
  });
  const save = () => {
    if (!file.data) return;
    savedFile(file.data);
    onClose();
  };
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Save as a file</DialogTitle>
      <DialogContent>
        <Choice label="Format" value={format} options={FORMATS} onChange={setFormat} wrap />
        {variants.length > 0 && format !== "own" && (
          <PickField
            label="Variant"
            value={variant}
            none="As written"
            options={variants.map((one) => [String(one.key), one.name] as const)}
            onChange={setVariant}
            sx={{ mt: 2, minWidth: 220 }}
          />
        )}
        <Box sx={{ mt: 2 }} aria-live="polite">
          {file.isPending && <LinearProgress aria-label="Writing the file" />}
          {file.isError && <Alert severity="error">{file.error.message}</Alert>}
          {file.data?.losses.length === 0 && "Everything on the card is in this file."}
          {file.data && file.data.losses.length > 0 && (
            <>
              This format cannot hold:
              <Box component="ul" sx={{ mt: 0.5, mb: 0, pl: 3 }}>
                {file.data.losses.map((loss) => (
                  <li key={loss}>{loss}</li>
                ))}
              </Box>
            </>
          )}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave</Button>
        <Button variant="contained" disabled={!file.data} onClick={save}>
          Save {file.data?.file_name}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
