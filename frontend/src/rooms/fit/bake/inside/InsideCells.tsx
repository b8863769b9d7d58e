import { TableCell } from "@mui/material";

interface Told {
  lead: string;
  dry: string;
  dome: string;
}

/** What a bake does inside, as columns of a table. */
export function InsideHeads() {
  return (
    <>
      <TableCell title="How long the rim is done before the middle; an estimate">
        Rim before middle
      </TableCell>
      <TableCell title="How much of the slice is hot enough to boil dry; an estimate">
        Dry rim
      </TableCell>
      <TableCell title="How much the middle stands over the edge; an estimate">Dome</TableCell>
    </>
  );
}

interface InsideCellsProps {
  told: Told | undefined;
  /** Whether the answer is still on its way. */
  waiting: boolean;
  /** What is known of the dome without looking inside. */
  dome?: string;
}

/** A row of them; nothing stands there before it is known, and a line where it cannot be. */
export function InsideCells({ told, waiting, dome = "" }: InsideCellsProps) {
  const none = waiting ? "" : "–";
  return (
    <>
      <TableCell sx={{ whiteSpace: "nowrap" }}>{told?.lead ?? none}</TableCell>
      <TableCell sx={{ whiteSpace: "nowrap" }}>{told?.dry ?? none}</TableCell>
      <TableCell>{[told?.dome, dome].filter(Boolean).join("; ") || none}</TableCell>
    </>
  );
}
