import { Alert, Box, Button, LinearProgress, TextField, Typography } from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { answered, client } from "../../../api/client";
import type { Book, BookAsked } from "../../../api/client";
import { bookQuery, inTheMaking } from "../../../api/queries/book";
import { kitchenQuery, pansQuery } from "../../../api/queries/kitchen";
import { PickField } from "../../../ui/PickField";
import { Room, RoomHead } from "../../../ui/Room";
import { ChosenCards } from "./ChosenCards";

type Beside = NonNullable<BookAsked["beside"]>;
type Paper = NonNullable<BookAsked["paper"]>;

const PAPERS: readonly (readonly [Paper, string])[] = [
  ["a5", "A5: two of A4 folded once"],
  ["half-letter", "Half letter: two of Letter folded once"],
];
const BESIDES: readonly (readonly [Beside, string])[] = [
  ["last", "The pans each was kept in last, else the nearest other pan"],
  ["pan", "One pan of the rack"],
  ["nothing", "Nothing: its own pans alone"],
];

/** The kitchen's book: which cards, on which paper, in which pans beside their own. */
export function BookRoom() {
  const [title, setTitle] = useState("Our kitchen's book");
  const [chosen, setChosen] = useState<ReadonlyMap<number, string> | null>(null);
  const [paper, setPaper] = useState<Paper | null>(null);
  const [beside, setBeside] = useState<Beside>("last");
  const [pan, setPan] = useState<number | null>(null);
  // Folded from the paper that the kitchen prints on, unless another is wanted.
  const usual = useQuery(kitchenQuery()).data?.paper === "Letter" ? "half-letter" : "a5";
  const pans = useQuery(pansQuery()).data ?? [];
  const book = useQuery(bookQuery());
  const { make, away } = useBinding();
  const wants = !title.trim()
    ? "Give it a title."
    : chosen?.size === 0
      ? "Choose the cards that go in."
      : beside === "pan" && pan === null
        ? "Choose the pan."
        : "";
  const busy = inTheMaking(book.data) || make.isPending;
  return (
    <Room>
      <RoomHead
        title="A book of cards"
        main={
          <Button
            variant="contained"
            disabled={Boolean(wants) || busy}
            onClick={() =>
              make.mutate({
                title: title.trim(),
                recipes: chosen === null ? [] : [...chosen.keys()],
                paper: paper ?? usual,
                beside,
                pan: beside === "pan" ? pan : null,
              })
            }
          >
            Make the book
          </Button>
        }
      />
      <Typography color="textSecondary" sx={{ maxWidth: 720, mb: 2 }}>
        Each card lies on two pages: its pans and amounts on the left, the method, signs of done and
        its best bakes on the right; contents in front, an index by ingredient behind. A PDF, to
        print at home or at a shop.
      </Typography>
      {wants && <Typography sx={{ mb: 1.5 }}>{wants}</Typography>}
      {make.isError && (
        <Alert severity="error" sx={{ mb: 1.5 }}>
          {make.error.message}
        </Alert>
      )}
      {book.data && <State book={book.data} onAway={() => away.mutate()} />}
      <Box sx={{ display: "flex", flexWrap: "wrap", gap: 2, mb: 2 }}>
        <TextField
          label="Title of the book"
          size="small"
          value={title}
          error={!title.trim()}
          onChange={(event) => setTitle(event.target.value)}
          slotProps={{ htmlInput: { maxLength: 80 } }}
          sx={{ minWidth: 260 }}
        />
        <PickField
          label="Paper"
          value={paper ?? usual}
          options={PAPERS}
          onChange={setPaper}
          sx={{ minWidth: 260 }}
        />
        <PickField
          label="Beside its own pans"
          value={beside}
          options={BESIDES}
          onChange={(one) => setBeside(one ?? "last")}
          sx={{ minWidth: 260, maxWidth: "100%" }}
        />
        {beside === "pan" && (
          <PickField
            label="Pan"
            value={pan === null ? null : String(pan)}
            options={pans.filter((one) => !one.damaged).map((one) => [String(one.id), one.label])}
            onChange={(one) => setPan(one === null ? null : Number(one))}
            sx={{ minWidth: 180 }}
          />
        )}
      </Box>
      <ChosenCards chosen={chosen} onChange={setChosen} />
    </Room>
  );
}

function useBinding() {
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: async (body: BookAsked) => answered(await client.POST("/api/book", { body })),
    onSuccess: (begun) => queries.setQueryData(["book"], begun),
  });
  const away = useMutation({
    mutationFn: async () => answered(await client.DELETE("/api/book")),
    onSuccess: () => queries.setQueryData(["book"], null),
  });
  return { make, away };
}

/** How far the book is, or where it is to be had. */
function State({ book, onAway }: { book: Book; onAway: () => void }) {
  if (book.failed)
    return (
      <Alert severity="error" sx={{ mb: 2 }} onClose={onAway}>
        {book.failed}
      </Alert>
    );
  if (!book.ready)
    return (
      <Box role="status" sx={{ mb: 2, maxWidth: 720 }}>
        <Box sx={{ display: "flex", alignItems: "center", gap: 2 }}>
          <Typography sx={{ flex: 1 }}>
            {book.done < book.cards
              ? `Working out card ${String(book.done + 1)} of ${String(book.cards)}`
              : "Setting the pages"}
          </Typography>
          <Button onClick={onAway}>Stop</Button>
        </Box>
        <LinearProgress
          variant="determinate"
          aria-label="Making the book"
          value={(100 * book.done) / Math.max(1, book.steps)}
        />
      </Box>
    );
  return (
    <Alert
      severity="success"
      sx={{ mb: 2, maxWidth: 720 }}
      action={
        <Button component="a" href="/api/book/file" color="inherit">
          Save it
        </Button>
      }
    >
      “{book.title}” is ready: {book.cards} {book.cards === 1 ? "card" : "cards"} on {book.pages}{" "}
      pages, {book.kb} kB.
      {book.lacking.length > 0 && (
        <>
          {" "}
          Signs the face of the book has not are a “?” in{" "}
          {book.lacking.map((one) => `${one.title} (${one.signs})`).join(", ")}.
        </>
      )}
    </Alert>
  );
}
