import {
  Alert,
  Box,
  Button,
  Dialog,
  DialogActions,
  DialogContent,
  DialogTitle,
  IconButton,
  Typography,
} from "@mui/material";
import { keepPreviousData, queryOptions, useQuery } from "@tanstack/react-query";

import { answered, client } from "../../../api/client";
import type { Comparison, Fit, FitEntry, FitRequest } from "../../../api/client";
import { OF_THE_BATCH, requestOf } from "../../../domain/fitChoices";
import { typedCount } from "../../../domain/numbers";
import { CloseIcon } from "../../../ui/icons";
import { NextButton } from "../../../ui/NextButton";
import { Stepper } from "../../../ui/Stepper";
import { RackTray } from "../shared/RackTray";
import { SmallPans } from "../../../pans/SmallPans";
import type { FitChoicesInHand } from "../shared/useFitChoices";
import { Waiting } from "../../../ui/Waiting";

const SCALE = 6;

const compareQuery = (one: FitRequest | null, other: FitRequest | null) =>
  queryOptions({
    queryKey: ["fit", "compare", one, other],
    queryFn: async ({ signal }) => {
      if (one === null || other === null) return null;
      return answered(await client.POST("/api/fit/compare", { body: { one, other }, signal }));
    },
    enabled: one !== null && other !== null,
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  });

/** Two sets of pans side by side; open while the address holds the other one. */
export function CompareDialog({ inHand }: { inHand: FitChoicesInHand }) {
  const { choices, choose } = inHand;
  const { beside } = choices;
  const close = () => choose({ beside: null }, "history");
  return (
    <Dialog open={beside !== null} onClose={close} fullWidth maxWidth="lg">
      <DialogTitle>Side by side</DialogTitle>
      <DialogContent>{beside && <Both inHand={inHand} beside={beside} />}</DialogContent>
      <DialogActions>
        {beside && beside.length > 0 && (
          <>
            <Button onClick={() => choose({ beside: choices.into, into: beside })}>
              Change sides
            </Button>
            <NextButton
              onClick={() =>
                choose({ into: beside, beside: null, shares: [], ...OF_THE_BATCH }, "history")
              }
            >
              Take the other set
            </NextButton>
          </>
        )}
        <Button onClick={close}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function Both({ inHand, beside }: { inHand: FitChoicesInHand; beside: FitEntry[] }) {
  const { choices, choose } = inHand;
  const plain = { ...choices, shares: [], beside: null, ...OF_THE_BATCH };
  const one = requestOf(plain);
  const other = requestOf({ ...plain, into: beside });
  const both = useQuery(compareQuery(one, other));
  if (both.isError) return <Alert severity="error">{both.error.message}</Alert>;
  if (!both.data) return <Waiting words="Setting them side by side" />;
  const set = (into: FitEntry[]) => choose({ beside: into });
  return (
    <Box sx={{ opacity: both.isPlaceholderData ? 0.7 : 1 }}>
      {beside.length > 0 && <Rows rows={both.data.rows} />}
      <Box
        sx={{ display: "grid", gap: 3, gridTemplateColumns: { xs: "1fr", md: "1fr 1fr" }, mt: 1.5 }}
      >
        <Side title="This fit" fit={both.data.one} />
        <Side title="The other set" fit={both.data.other} entries={beside} onChange={set} />
      </Box>
      {beside.length === 0 && (
        <RackTray
          onAdd={(entry) => set([...beside, entry])}
          onOther={() => undefined}
          others={false}
        />
      )}
    </Box>
  );
}

interface SideProps {
  title: string;
  fit: Fit;
  entries?: FitEntry[];
  onChange?: (entries: FitEntry[]) => void;
}

function Side({ title, fit, entries, onChange }: SideProps) {
  return (
    <Box component="section" aria-label={title}>
      <Box
        sx={{
          display: "flex",
          justifyContent: "space-between",
          alignItems: "center",
          minHeight: 44,
        }}
      >
        <Typography component="h3" sx={{ fontWeight: 700 }}>
          {title}
        </Typography>
        {entries && entries.length > 0 && onChange && (
          <Button size="small" onClick={() => onChange([])}>
            Choose other pans
          </Button>
        )}
      </Box>
      <Box sx={{ minHeight: 150 }}>
        <SmallPans fit={fit} scale={SCALE} />
      </Box>
      {onChange && (
        <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1 }}>
          {entries?.map((entry, place) => (
            <Box
              key={`${String(place)}-${fit.pans[place]?.label ?? ""}`}
              sx={{ display: "flex", alignItems: "center" }}
            >
              <Stepper
                label={`Count of ${fit.pans[place]?.label ?? "pan"} in the other set`}
                value={entry.count ?? 1}
                least={1}
                read={typedCount}
                onChange={(count) =>
                  onChange(entries.map((one, i) => (i === place ? { ...one, count } : one)))
                }
              />
              <IconButton
                aria-label={`Take ${fit.pans[place]?.label ?? "pan"} out of the other set`}
                onClick={() => onChange(entries.filter((_, i) => i !== place))}
              >
                <CloseIcon fontSize="small" />
              </IconButton>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}

function Rows({ rows }: { rows: Comparison["rows"] }) {
  return (
    <Box
      component="table"
      sx={(t) => ({
        width: "100%",
        borderCollapse: "collapse",
        mt: 2,
        "& th, & td": {
          textAlign: "left",
          py: 0.6,
          pr: 1.5,
          borderBottom: `1px solid ${t.vars.palette.divider}`,
          verticalAlign: "baseline",
        },
        "& td": { fontWeight: 700, whiteSpace: "nowrap" },
        "& td.words": { fontWeight: 400, whiteSpace: "normal", color: "text.secondary" },
      })}
    >
      <thead>
        <tr>
          <th scope="col">Compared</th>
          <th scope="col">This fit</th>
          <th scope="col">The other</th>
          <Box component="th" scope="col" sx={{ display: { xs: "none", sm: "table-cell" } }}>
            The other is
          </Box>
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.name}>
            <Box component="th" scope="row" sx={{ fontWeight: 500 }}>
              {row.name}
            </Box>
            <td>{row.one}</td>
            <td>{row.other}</td>
            <Box
              component="td"
              className="words"
              sx={{ display: { xs: "none", sm: "table-cell" } }}
            >
              {row.words}
            </Box>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
