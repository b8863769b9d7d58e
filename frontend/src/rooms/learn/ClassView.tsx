import { Alert, Box, Button, TextField, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import type { ClassSheets } from "../../api/client";
import { pansQuery } from "../../api/queries/kitchen";
import { classQuery } from "../../api/queries/trainer";
import { grams } from "../../domain/numbers";
import { PrintFrame } from "../../ui/PrintFrame";
import { PanPick, RecipePick } from "./CakePick";

interface Group {
  key: number;
  name: string;
  pan: number | null;
}

const MOST = 12;
const LETTERS = "ABCDEFGHIJKL";

/** One recipe for several groups, each with its pan: a sheet for each, what to get in, to compare. */
export function ClassView() {
  const [recipe, setRecipe] = useState<number | null>(null);
  const [groups, setGroups] = useState<readonly Group[]>([
    { key: 0, name: "Group A", pan: null },
    { key: 1, name: "Group B", pan: null },
  ]);
  const pans = useQuery(pansQuery()).data ?? [];
  const change = (key: number, part: Partial<Group>) =>
    setGroups(groups.map((one) => (one.key === key ? { ...one, ...part } : one)));
  const whole = recipe !== null && groups.every((one) => one.pan !== null && one.name.trim());
  const asked = whole
    ? groups.map((one) => ({
        name: one.name,
        fit: {
          recipe,
          into: [{ pan: one.pan ?? 0, count: pans.find(({ id }) => id === one.pan)?.wells ?? 1 }],
        },
      }))
    : [];
  const sheets = useQuery(classQuery(asked));
  return (
    <Box sx={{ maxWidth: 1100 }}>
      <RecipePick value={recipe} onChange={setRecipe} />
      {groups.map((one) => (
        <Box
          key={one.key}
          role="group"
          aria-label={one.name}
          sx={{ display: "flex", flexWrap: "wrap", gap: 1.5, mt: 1.5, alignItems: "center" }}
        >
          <TextField
            label="Group"
            size="small"
            value={one.name}
            error={!one.name.trim()}
            slotProps={{ htmlInput: { maxLength: 60 } }}
            onChange={(event) => change(one.key, { name: event.target.value })}
          />
          <PanPick value={one.pan} onChange={(pan) => change(one.key, { pan })} />
          {groups.length > 1 && (
            <Button onClick={() => setGroups(groups.filter(({ key }) => key !== one.key))}>
              Take it away
            </Button>
          )}
        </Box>
      ))}
      <Box sx={{ display: "flex", gap: 1.5, my: 1.5 }}>
        <Button
          variant="outlined"
          disabled={groups.length >= MOST}
          onClick={() => {
            const key = 1 + Math.max(...groups.map((one) => one.key));
            setGroups([
              ...groups,
              { key, name: `Group ${LETTERS[key % MOST] ?? String(key)}`, pan: null },
            ]);
          }}
        >
          Another group
        </Button>
        <Button variant="contained" disabled={!sheets.data} onClick={() => window.print()}>
          Print the sheets
        </Button>
      </Box>
      {!whole && (
        <Typography color="textSecondary">
          Choose a recipe, and a name and a pan for every group.
        </Typography>
      )}
      {sheets.isError && <Alert severity="error">{sheets.error.message}</Alert>}
      {whole && sheets.data && !sheets.isError && (
        <>
          <Box
            sx={{
              display: "grid",
              gap: 2,
              gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "repeat(2, minmax(0, 1fr))" },
            }}
          >
            <Sheets sheets={sheets.data} />
          </Box>
          <PrintFrame>
            <Sheets sheets={sheets.data} />
          </PrintFrame>
        </>
      )}
    </Box>
  );
}

/** The sheets, as they are looked at and as they are printed: a page for each. */
function Sheets({ sheets }: { sheets: ClassSheets }) {
  const page = { "@media print": { breakAfter: "page" } } as const;
  return (
    <>
      {sheets.groups.map((one) => (
        <Box key={one.name} component="section" sx={page}>
          <h2>
            {one.name}: {sheets.title}
          </h2>
          <p>
            {one.pan}
            {one.oven && ` · ${one.oven}`}
            {one.look_min !== null &&
              ` · look at ${String(one.look_min)} · likely ${String(one.likely_min)} · no later than ${String(one.latest_min)} min`}
          </p>
          <Rows rows={one.lines.map((line) => [line.name, line.shown])} />
          <Box component="ol" sx={{ display: "none", "@media print": { display: "block" } }}>
            {sheets.method.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </Box>
          <p>It took ____ min. Rim: ________ Middle: ________ Dome: ____</p>
        </Box>
      ))}
      <Box component="section" sx={page}>
        <h2>To get in, all groups together</h2>
        <Rows
          rows={sheets.bought.map((one) => [
            one.name,
            one.g === null ? "by the sheets" : `${grams(one.g)} g`,
          ])}
        />
      </Box>
      <Box component="section">
        <h2>To compare</h2>
        <ul>
          {[...sheets.compare, ...sheets.caution].map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      </Box>
    </>
  );
}

function Rows({ rows }: { rows: readonly (readonly [string, string])[] }) {
  return (
    <Box component="table" sx={{ borderCollapse: "collapse", "& td, & th": { pr: 3, py: 0.25 } }}>
      <tbody>
        {rows.map(([name, words], place) => (
          <tr key={`${String(place)}-${name}`}>
            <th scope="row" style={{ textAlign: "left", fontWeight: 400 }}>
              {name}
            </th>
            <td className="number">{words}</td>
          </tr>
        ))}
      </tbody>
    </Box>
  );
}
