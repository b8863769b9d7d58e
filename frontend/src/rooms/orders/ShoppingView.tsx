import { Alert, Box, Button, Checkbox, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../api/client";
import type { ToBuy } from "../../api/client";
import { shoppingQuery } from "../../api/queries/orders";
import { grams, listed } from "../../domain/numbers";
import { savedFile } from "../../ui/saving";
import { PacksDialog } from "./PacksDialog";
import { Waiting } from "../../ui/Waiting";

/** What has to be bought for the chosen orders, by where; a tick puts it into the larder. */
export function ShoppingView({ chosen }: { chosen: number[] }) {
  const list = useQuery(shoppingQuery(chosen));
  const [packing, setPacking] = useState<ToBuy | null>(null);
  const [ticked, setTicked] = useState<Readonly<Record<string, number>>>({});
  const bought = useMutation({
    mutationFn: async ({ row, g }: { row: ToBuy; g: number }) => {
      answered(
        await client.POST("/api/larder/bought", { body: { key: row.key, name: row.name, g } }),
      );
      return { key: row.key, g };
    },
    onSuccess: ({ key, g }) => {
      setTicked((before) => {
        if (g > 0) return { ...before, [key]: g };
        return Object.fromEntries(Object.entries(before).filter(([one]) => one !== key));
      });
    },
  });
  const file = useMutation({
    mutationFn: async (kind: "csv" | "txt") => {
      const text = answered(
        await client.POST("/api/shopping/file/{kind}", {
          params: { path: { kind } },
          body: { orders: chosen },
          parseAs: "text",
        }),
      );
      savedFile({
        file_name: `shopping.${kind}`,
        media_type: kind === "csv" ? "text/csv" : "text/plain",
        text,
      });
    },
  });
  if (chosen.length === 0) {
    return <Typography sx={{ py: 2 }}>Choose orders first: tick “Plan it” beside them.</Typography>;
  }
  if (list.isError) return <Alert severity="error">{list.error.message}</Alert>;
  if (!list.data) return <Waiting words="Adding up" />;
  const shopping = list.data;
  const places = [...new Set(shopping.rows.map((row) => row.where))];
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Box className="no-print" sx={{ display: "flex", flexWrap: "wrap", gap: 1, mb: 1 }}>
        <Typography sx={{ flex: 1, minWidth: 200 }}>
          {shopping.price > 0 ? (
            <strong>{`${shopping.price.toFixed(2)} ${shopping.currency}`}</strong>
          ) : (
            "No prices known"
          )}
          {shopping.without_price > 0 && shopping.price > 0
            ? `, ${String(shopping.without_price)} without a price`
            : ""}
        </Typography>
        <Button onClick={() => file.mutate("csv")}>CSV</Button>
        <Button onClick={() => file.mutate("txt")}>Text</Button>
        <Button onClick={() => window.print()}>Print</Button>
      </Box>
      {bought.isError && <Alert severity="error">{bought.error.message}</Alert>}
      {places.map((place) => (
        <Box component="section" key={place} aria-label={place || "Anywhere"} sx={{ mb: 2 }}>
          <Typography component="h2" sx={{ fontWeight: 700 }}>
            {place || "Anywhere"}
          </Typography>
          <Box component="ul" sx={{ listStyle: "none", p: 0, m: 0 }}>
            {shopping.rows
              .filter((row) => row.where === place)
              .map((row) => (
                <Row
                  key={row.key}
                  row={row}
                  got={ticked[row.key]}
                  onTick={(g) => bought.mutate({ row, g })}
                  onPacks={() => setPacking(row)}
                />
              ))}
          </Box>
        </Box>
      ))}
      {shopping.things.length > 0 && (
        <Box component="section" aria-label="Boards and boxes">
          <Typography component="h2" sx={{ fontWeight: 700 }}>
            Boards and boxes
          </Typography>
          {shopping.things.map((one) => (
            <Typography key={one.name}>{`${String(one.count)} × ${one.name}`}</Typography>
          ))}
        </Box>
      )}
      {packing && <PacksDialog row={packing} onClose={() => setPacking(null)} />}
    </Box>
  );
}

function Row(props: {
  row: ToBuy;
  got: number | undefined;
  onTick: (g: number) => void;
  onPacks: () => void;
}) {
  const { row, got, onTick, onPacks } = props;
  const there = row.buy_g === 0;
  return (
    <Box
      component="li"
      sx={{
        display: "flex",
        alignItems: "center",
        gap: 1,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Checkbox
        checked={there || got !== undefined}
        disabled={row.buy_g === null || (there && got === undefined)}
        onChange={() => onTick(got === undefined ? row.packs_g : -got)}
        slotProps={{ input: { "aria-label": `Bought: ${row.name}` } }}
      />
      <Box sx={{ flex: 1, minWidth: 0, py: 0.5 }}>
        <Typography sx={{ fontWeight: 600, textDecoration: there ? "line-through" : "none" }}>
          {row.name}
        </Typography>
        <Typography color="textSecondary" sx={{ fontSize: "size.small", lineHeight: 1.3 }}>
          {[
            row.needed_g === null ? "as needed" : `${grams(row.needed_g)} g wanted`,
            row.have_g > 0 && `${grams(row.have_g)} g there`,
            ...row.packs.map((pack) => `${String(pack.count)} × ${grams(pack.g)} g`),
            row.packs.length > 0 &&
              row.left_g >= 1 &&
              `${grams(row.left_g)} g left${row.left_for.length > 0 ? `, would go into ${listed(row.left_for)}` : ""}`,
            row.raw && `by its raw weight, estimated: the card weighs it ${row.raw}`,
            row.house && "for a house formula",
          ]
            .filter(Boolean)
            .join(" · ")}
        </Typography>
      </Box>
      <Typography variant="quantity">
        {row.pieces !== null && row.pieces > 0
          ? String(row.pieces)
          : row.buy_g === null
            ? "–"
            : `${grams(row.buy_g)} g`}
      </Typography>
      <Button
        size="small"
        className="no-print"
        onClick={onPacks}
        aria-label={`Packs of ${row.name}`}
      >
        Packs
      </Button>
    </Box>
  );
}
