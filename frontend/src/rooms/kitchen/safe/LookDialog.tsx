import {
  Alert,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  LinearProgress,
  Table,
  TableBody,
  TableCell,
  TableHead,
  TableRow,
  Typography,
} from "@mui/material";

import type { LookedInto } from "../../../api/client";
import { copyWords } from "./copyWords";

interface LookDialogProps {
  looked: LookedInto;
  busy: boolean;
  problem: string | null;
  onRestore: () => void;
  onClose: () => void;
}

/** What is in a copy, beside what is here now; then it can be brought back. */
export function LookDialog({ looked, busy, problem, onRestore, onClose }: LookDialogProps) {
  const whole = looked.problem === "";
  return (
    <Dialog open onClose={onClose} aria-labelledby="look-title" fullWidth maxWidth="xs">
      <DialogTitle id="look-title">{copyWords(looked.copy_file)}</DialogTitle>
      <DialogContent>
        {whole ? (
          <>
            <Typography sx={{ mb: 1 }}>
              It is whole
              {looked.older ? ", older than this program, and will be brought up to date" : ""}.
              Nothing has changed yet.
            </Typography>
            <Table size="small" aria-label="What is in it">
              <TableHead>
                <TableRow>
                  <TableCell>What</TableCell>
                  <TableCell align="right">in the copy</TableCell>
                  <TableCell align="right">here now</TableCell>
                </TableRow>
              </TableHead>
              <TableBody>
                {looked.rows.map((row, place) => (
                  <TableRow key={row.words}>
                    <TableCell component="th" scope="row">
                      {row.words}
                    </TableCell>
                    <TableCell align="right">{row.count}</TableCell>
                    <TableCell align="right">{looked.now[place]?.count ?? 0}</TableCell>
                  </TableRow>
                ))}
              </TableBody>
            </Table>
            <Typography sx={{ mt: 1 }}>
              Bringing it back puts all of it in place of what is here. That is copied first, and
              you can undo it.
            </Typography>
          </>
        ) : (
          <Alert severity="error">{looked.problem}</Alert>
        )}
        {busy && <LinearProgress aria-label="Bringing it back" sx={{ mt: 1 }} />}
      </DialogContent>
      {problem && (
        <Alert severity="error" sx={{ mx: 3 }}>
          {problem}
        </Alert>
      )}
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        {whole && (
          <Button variant="contained" disabled={busy} onClick={onRestore}>
            Bring it back
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
