import { Alert, Box, Button, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { Link, useNavigate } from "react-router";

import type { Bake } from "../../api/client";
import { bakesQuery } from "../../api/queries/logbook";
import { pansQuery } from "../../api/queries/kitchen";
import { workdayQuery } from "../../api/queries/orders";
import { useLogged } from "../../bakes/useLogged";
import { SaidBar } from "../../ui/SaidBar";
import { SearchField } from "../../ui/SearchField";
import { BakeDialog } from "./BakeDialog";
import { BakeRow } from "./BakeRow";
import { EnterDialog } from "./EnterDialog";
import { LogFiles } from "./LogFiles";
import { useBakes } from "./useBakes";

const PAGE = 30;

/** Bakes, the newest first: found by words and tags, opened, compared two by two. */
export function BakesView() {
  const [search, setSearch] = useState("");
  const [tag, setTag] = useState("");
  const [limit, setLimit] = useState(PAGE);
  const [open, setOpen] = useState<Bake | null>(null);
  const [entering, setEntering] = useState(false);
  const [picked, setPicked] = useState<Bake | null>(null);
  const go = useNavigate();
  const words = useDeferredValue(search);
  const bakes = useQuery(
    bakesQuery({ ...(words && { search: words }), ...(tag && { tag }), limit }),
  );
  const zone = useQuery(workdayQuery()).data?.zone ?? "UTC";
  const pans = useQuery(pansQuery()).data ?? [];
  const change = useBakes();
  const logbook = useLogged();
  const rows = bakes.data?.bakes ?? [];
  const count = bakes.data?.count ?? 0;
  const compare = (bake: Bake) => {
    if (picked === null) setPicked(bake);
    else if (picked.id === bake.id) setPicked(null);
    else
      void go(
        `/logbook/compare?one=${String(Math.min(picked.id, bake.id))}&other=${String(Math.max(picked.id, bake.id))}`,
      );
  };
  return (
    <>
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1.5 }}>
        <Box sx={{ flex: { xs: "1 0 100%", sm: 1 }, minWidth: 220 }}>
          <SearchField
            label="Search the logbook"
            placeholder="Search by recipe, pan, oven, note"
            value={search}
            onChange={setSearch}
          />
        </Box>
        <Button variant="contained" onClick={() => setEntering(true)}>
          Enter a bake
        </Button>
        <LogFiles />
      </Box>
      {(bakes.data?.tags.length ?? 0) > 0 && (
        <Box
          role="group"
          aria-label="Tags"
          sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1 }}
        >
          {bakes.data?.tags.map((one) => (
            <Button
              key={one}
              size="small"
              aria-pressed={tag === one}
              variant={tag === one ? "contained" : "outlined"}
              onClick={() => setTag(tag === one ? "" : one)}
            >
              {one}
            </Button>
          ))}
        </Box>
      )}
      {picked && (
        <Alert
          severity="info"
          sx={{ mb: 1 }}
          action={<Button onClick={() => setPicked(null)}>Leave</Button>}
        >
          {`Choose another bake of ${picked.recipe_title} to compare with.`}
        </Alert>
      )}
      {bakes.isError && <Alert severity="error">{bakes.error.message}</Alert>}
      {bakes.isPending && <Typography>Opening the logbook…</Typography>}
      {bakes.data && count === 0 && <Nothing searched={words !== "" || tag !== ""} />}
      <Box component="ul" aria-label="Bakes" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {rows.map((bake) => (
          <BakeRow
            key={bake.id}
            bake={bake}
            zone={zone}
            pan={pans.find((one) => one.id === bake.pan)}
            picking={picked}
            onOpen={() => setOpen(bake)}
            onCompare={() => compare(bake)}
            onAnswer={(counted) => change.answer.mutate({ bake, counted })}
          />
        ))}
      </Box>
      {rows.length < count && (
        <Button sx={{ mt: 2 }} onClick={() => setLimit(limit + PAGE)}>
          {`Show more (${String(count - rows.length)} left)`}
        </Button>
      )}
      {change.answer.isError && <Alert severity="error">{change.answer.error.message}</Alert>}
      {open && (
        <BakeDialog
          key={open.id}
          bake={open}
          zone={zone}
          onClose={() => setOpen(null)}
          onRemove={(bake) => {
            setOpen(null);
            change.remove.mutate(bake);
          }}
        />
      )}
      {entering && <EnterDialog zone={zone} logbook={logbook} onClose={() => setEntering(false)} />}
      <SaidBar said={change.said} onDone={change.clear} />
      <SaidBar said={logbook.said} onDone={logbook.clear} />
    </>
  );
}

function Nothing({ searched }: { searched: boolean }) {
  return (
    <Typography>
      {searched ? (
        "No bake holds these words."
      ) : (
        <>
          No bake is logged yet. A day led through on{" "}
          <Box component={Link} to="/day" sx={{ color: "inherit" }}>
            Bake day
          </Box>{" "}
          writes its bakes here; on a fit’s bake card, “It took” does.
        </>
      )}
    </Typography>
  );
}
