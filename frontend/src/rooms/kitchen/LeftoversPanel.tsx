import { Alert, Box, Button, LinearProgress, TextField, Typography } from "@mui/material";
import { useState } from "react";
import { Link } from "react-router";

import type { LeftoverRow } from "../../api/client";
import { dayWords } from "../../domain/moments";
import { grams, typedDecimal } from "../../domain/numbers";
import { Choice } from "../../ui/Choice";
import { SaidBar } from "../../ui/SaidBar";
import { TypedField } from "../../ui/TypedField";
import { useLeftovers } from "./useLeftovers";

const STANDS = { cool: "Cool", chilled: "Chilled", frozen: "Frozen" } as const;

/** The larder of leftovers: what has to go first at the head, and what would take it. */
export function LeftoversPanel() {
  const { rows, add, gone, move, said, clear } = useLeftovers();
  const [name, setName] = useState("");
  const [g, setG] = useState("");
  const amount = typedDecimal(g);
  const ready = name.trim() !== "" && amount !== null && amount > 0;
  const failed = [add, gone, move].find((one) => one.isError)?.error ?? null;
  return (
    <Box sx={{ pt: 1 }}>
      {rows.isPending && <LinearProgress aria-label="Looking into the larder" />}
      {rows.isError && <Alert severity="error">{rows.error.message}</Alert>}
      {rows.data?.length === 0 && (
        <Typography>
          Nothing is left over. At the end of a bake day say what is, or add it here.
        </Typography>
      )}
      <Box component="ul" aria-label="Left over" sx={{ listStyle: "none", m: 0, p: 0 }}>
        {rows.data?.map((row) => (
          <Row
            key={row.id}
            row={row}
            onGone={() => gone.mutate({ row, gone: true })}
            onMove={(part) => move.mutate({ row, ...part })}
          />
        ))}
      </Box>
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          if (!ready) return;
          add.mutate(
            { name: name.trim(), g: amount },
            {
              onSuccess: () => {
                setName("");
                setG("");
              },
            },
          );
        }}
        sx={{ display: "flex", flexWrap: "wrap", gap: 1, mt: 1.5 }}
      >
        <TextField
          label="What is left"
          value={name}
          onChange={(event) => setName(event.target.value.slice(0, 120))}
          sx={{ flex: 1, minWidth: 150 }}
        />
        <TextField
          label="Grams"
          value={g}
          error={g.trim() !== "" && amount === null}
          helperText={g.trim() !== "" && amount === null ? "Type a number." : undefined}
          onChange={(event) => setG(event.target.value)}
          sx={{ width: 110 }}
        />
        <Button type="submit" variant="outlined" disabled={!ready || add.isPending}>
          Into the larder
        </Button>
      </Box>
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {failed.message}
        </Alert>
      )}
      <SaidBar said={said} onDone={clear} />
    </Box>
  );
}

function Row(props: {
  row: LeftoverRow;
  onGone: () => void;
  onMove: (part: { stands?: LeftoverRow["stands"]; g?: number }) => void;
}) {
  const { row } = props;
  const past = row.left_days !== null && row.left_days < 0;
  return (
    <Box
      component="li"
      sx={(t) => ({
        borderBottom: 1,
        borderColor: "divider",
        py: 1,
        pl: 1,
        borderLeft: `4px solid ${past ? t.vars.palette.bench.heat : t.vars.palette.bench.track}`,
      })}
    >
      <Box sx={{ display: "flex", flexWrap: "wrap", alignItems: "baseline", columnGap: 1 }}>
        <Typography component="span" sx={{ fontWeight: 700 }}>
          {row.name}
        </Typography>
        <Typography component="span">{grams(row.g)} g</Typography>
        <Typography component="span" sx={{ ml: "auto", fontWeight: past ? 700 : 400 }}>
          {row.until === null
            ? row.since === null
              ? "since when is not known"
              : `does not keep ${row.stands}`
            : past
              ? `past ${dayWords(row.until, true)}: throw it away`
              : `until ${dayWords(row.until, true)}`}
        </Typography>
      </Box>
      <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
        {row.since ? `Since ${dayWords(row.since, true)}. ` : ""}
        {row.words}
      </Typography>
      {row.recipes.length > 0 && (
        <Typography sx={{ fontSize: "size.small" }}>
          Would take it:{" "}
          {row.recipes.map((one, place) => (
            <span key={one.id}>
              {place > 0 && ", "}
              <Box
                component={Link}
                to={`/recipes/${String(one.id)}`}
                sx={{ color: "inherit", display: "inline-block", py: 0.5 }}
              >
                {one.title}
              </Box>
            </span>
          ))}
        </Typography>
      )}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 1, alignItems: "center", mt: 0.5 }}>
        {row.places.length > 1 && (
          <Choice
            label={`Where the ${row.name} stands`}
            size="small"
            value={row.stands}
            options={row.places.map((place) => ({ value: place, label: STANDS[place] }))}
            onChange={(stands) => props.onMove({ stands })}
          />
        )}
        <TypedField
          label={`${row.name}, g`}
          value={row.g}
          read={(text) => {
            const typed = typedDecimal(text);
            return typed !== null && typed > 0 ? typed : null;
          }}
          write={(value) => String(Math.round(value))}
          hint="More than 0."
          required
          onChange={(g) => g !== null && props.onMove({ g })}
          sx={{ width: 170 }}
        />
        <Button size="small" aria-label={`Gone: ${row.name}`} onClick={props.onGone}>
          Gone
        </Button>
      </Box>
    </Box>
  );
}
