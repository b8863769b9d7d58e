import { Alert, Box, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";

import type { Bake } from "../../api/client";
import { comparedQuery } from "../../api/queries/logbook";
import { workdayQuery } from "../../api/queries/orders";
import { momentWords } from "../../domain/moments";
import { WindowBar } from "./WindowBar";

/** Two bakes of one recipe side by side, with everything that differed. */
export function CompareView() {
  const [asked] = useSearchParams();
  const one = Number(asked.get("one"));
  const other = Number(asked.get("other"));
  const compared = useQuery(comparedQuery(one, other));
  const zone = useQuery(workdayQuery()).data?.zone ?? "UTC";
  if (compared.isError) return <Alert severity="error">{compared.error.message}</Alert>;
  if (!compared.data) return <Typography>Comparing…</Typography>;
  const { differed, words } = compared.data;
  const bakes = [compared.data.one, compared.data.other];
  return (
    <>
      <Typography component="h2" sx={{ fontWeight: 700, fontSize: "size.title", mb: 1 }}>
        {compared.data.one.recipe_title}
      </Typography>
      <Box sx={{ overflowX: "auto" }}>
        <Box
          component="table"
          sx={{ borderCollapse: "collapse", minWidth: { sm: 560 }, "& th, & td": cell }}
        >
          <thead>
            <tr>
              <Box component="th" scope="col" sx={{ minWidth: 120 }}>
                What differed
              </Box>
              {bakes.map((bake) => (
                <th key={bake.id} scope="col">
                  <Head bake={bake} zone={zone} />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {differed.map((row) => (
              <tr key={row.what}>
                <th scope="row">{row.what}</th>
                <td>{row.one || "–"}</td>
                <td>{row.other || "–"}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      {differed.length === 0 && <Typography sx={{ mt: 1 }}>Nothing differed.</Typography>}
      {words && (
        <Typography color="textSecondary" sx={{ mt: 1, maxWidth: 560 }}>
          {words}
        </Typography>
      )}
      <Typography sx={{ mt: 2 }}>
        <Box component={Link} to="/logbook" sx={{ color: "inherit" }}>
          All bakes
        </Box>
      </Typography>
    </>
  );
}

const cell = {
  textAlign: "left",
  verticalAlign: "top",
  py: 0.75,
  pr: 3,
  borderBottom: 1,
  borderColor: "divider",
} as const;

function Head({ bake, zone }: { bake: Bake; zone: string }) {
  return (
    <>
      {momentWords(bake.baked_at, zone)}
      {bake.photo !== null && (
        <Box
          component="img"
          src={`/api/bakes/${String(bake.id)}/photo?v=${String(bake.photo)}`}
          alt={`Photo of the bake of ${momentWords(bake.baked_at, zone)}`}
          sx={{ display: "block", width: 180, borderRadius: 1, my: 0.5 }}
        />
      )}
      <WindowBar bake={bake} />
    </>
  );
}
