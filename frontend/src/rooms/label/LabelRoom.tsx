import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  Typography,
} from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";

import { labelHabitsQuery } from "../../api/queries/labels";
import { LabelHabitsForm } from "../../labelling/LabelHabitsForm";
import { FindingRow } from "../../ui/FindingRow";
import { RoomPanel } from "../../ui/RoomPanel";
import { SaidBar } from "../../ui/SaidBar";
import { CardDrawn, Keeps, Nutrients } from "./Beside";
import { Ingredients } from "./Ingredients";
import { LabelDrawn } from "./LabelDrawn";
import { LabelLine } from "./LabelLine";
import { PrintBar } from "./PrintBar";
import { useLabel } from "./useLabel";
import { Room, RoomHead } from "../../ui/Room";
import { Waiting } from "../../ui/Waiting";

/** The label of a cake: what stands on it, what it waits for, how it keeps, what goes with it. */
export function LabelRoom() {
  const hand = useLabel();
  const habits = useQuery(labelHabitsQuery());
  const [asking, setAsking] = useState(false);
  const names = (key: string) => habits.data?.allergens.find((one) => one.key === key)?.name ?? key;
  const { label } = hand;
  return (
    <Room>
      <RoomHead
        title="Label"
        main={
          <>
            <Button component={Link} to={hand.fitAddress}>
              Back to the cake
            </Button>
            <Button onClick={() => setAsking(true)}>How we label</Button>
          </>
        }
      />
      {hand.asked === null && (
        <Typography sx={{ py: 2 }}>
          No cake yet: open one from Orders, or in Fit under Finish, and choose “Label”.
        </Typography>
      )}
      {label.isError && (
        <Alert
          severity="error"
          action={<Button onClick={() => void label.refetch()}>Try again</Button>}
        >
          {label.error.message}
        </Alert>
      )}
      {label.isLoading && <Waiting words="Writing the label" />}
      {label.data && (
        <>
          <LabelLine label={label.data} hand={hand} />
          <Box
            sx={{
              display: "grid",
              gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 7fr) minmax(0, 5fr)" },
              gap: 2,
              mt: 1,
              alignItems: "start",
            }}
          >
            <Box>
              {label.data.findings.map((finding) =>
                finding.code === "label_allergens_changed" ? (
                  <Alert key={finding.code} severity="error" variant="filled" sx={{ mb: 1 }}>
                    {finding.text} {finding.hint}
                  </Alert>
                ) : (
                  <FindingRow key={`${finding.code} ${finding.subject}`} finding={finding} />
                ),
              )}
              <LabelDrawn label={label.data} names={names} />
              <PrintBar label={label.data} hand={hand} />
              <Typography color="textSecondary" sx={{ fontSize: "size.small", mt: 1 }}>
                {label.data.source}.{" "}
                {label.data.elsewhere.length > 0 &&
                  `Inside and not on that list: ${label.data.elsewhere.map(names).join(", ")}. `}
                {habits.data?.local_advice}
              </Typography>
            </Box>
            <RoomPanel title="Ingredients" id="ingredients" tall>
              <Ingredients label={label.data} names={names} settle={hand.settle} />
            </RoomPanel>
            <RoomPanel title="How it keeps" id="keeps">
              <Keeps label={label.data} />
            </RoomPanel>
            <RoomPanel title="Card to hand over" id="card">
              <CardDrawn label={label.data} />
            </RoomPanel>
            <RoomPanel title="Nutrients" id="nutrients">
              <Nutrients label={label.data} />
            </RoomPanel>
          </Box>
        </>
      )}
      {asking && (
        <Dialog open onClose={() => setAsking(false)} aria-labelledby="how-title" maxWidth="md">
          <DialogTitle id="how-title">How we label</DialogTitle>
          <DialogContent>
            <LabelHabitsForm />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setAsking(false)}>Close</Button>
          </DialogActions>
        </Dialog>
      )}
      <SaidBar said={hand.said} onDone={hand.clear} />
    </Room>
  );
}
