import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useEffect, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";

import { LONGEST_TEXT } from "../../../api/bounds";
import { answered, client } from "../../../api/client";
import type { Card, LedgerEntry, MarkRole, PanOffer, Reading } from "../../../api/client";
import { sharedIn, withShared } from "../../../domain/shared";
import { NextButton } from "../../../ui/NextButton";
import { keepDraft, newDraftName } from "../drafts";
import { fitAddress } from "../list/RecipeItem";
import { deskQuery, readingQuery } from "../../../api/queries/recipes";
import { Apart } from "./Apart";
import { LedgerPanel, openOf } from "./LedgerPanel";
import { MarkBar } from "./MarkBar";
import { PictureButton } from "./PictureButton";
import { MarkedBox } from "./MarkedBox";
import { minutesWords, panWords, ReadFacts, withOffer } from "./ReadFacts";
import { ReadLines } from "./ReadLines";
import { markAt, toldAfter } from "./told";
import type { Told } from "./told";
import { Room, RoomHead } from "../../../ui/Room";

const EXAMPLE = `Plum and oat squares
Makes 16

2 2/3 cups wholemeal flour, aerated
115 g (½ cup) unsalted butter, softened
190 g kefir, divided
a pinch of mace

1. Heat the oven to 180 °C …`;

const NONE: readonly LedgerEntry[] = [];
const STORE = "entremet.paste";

/** What was pasted and not laid on the desk yet; it outlives a reload. */
function pastedBefore(): string {
  try {
    return window.sessionStorage.getItem(STORE) ?? "";
  } catch {
    return "";
  }
}

function keepPasted(text: string): void {
  try {
    window.sessionStorage.setItem(STORE, text);
  } catch {
    // A full or closed store loses the safety net, not the text.
  }
}

interface AsReadProps {
  text: string;
  card: Card;
  current: Reading | null;
  offer: PanOffer | null;
  onOffer: (offer: PanOffer | null) => void;
  tell: (stretch: Stretch, kind: MarkRole) => void;
}

/** The card as it is read from the text, with what else it offers. */
function AsRead({ text, card, current, offer, onOffer, tell }: AsReadProps) {
  const desk = useQuery(deskQuery(card, null, []));
  return (
    <>
      <Typography sx={{ fontWeight: 700, fontSize: "size.strong" }}>{card.title}</Typography>
      <ReadFacts card={card} />
      {(current?.offers ?? []).map((one, place) => (
        <Button
          key={place}
          size="small"
          variant={offer === one ? "contained" : "outlined"}
          sx={{ mt: 0.75, mr: 0.75 }}
          onClick={() => onOffer(offer === one ? null : one)}
        >
          {offer === one ? "Taken: " : "Also offered: "}
          {panWords(one.pan)}
          {one.low_min === null ? "" : `, ${minutesWords(one.low_min, one.high_min)}`}
        </Button>
      ))}
      <ReadLines card={card} seen={desk.data ?? null} />
      {current && (
        <LedgerPanel
          text={text}
          ledger={current.ledger}
          marks={current.marks}
          tell={tell}
          unread={current.unread.length}
        />
      )}
      {card.steps.length > 0 && (
        <Typography sx={{ mt: 1.5 }}>
          {card.steps.length} {card.steps.length === 1 ? "step" : "steps"} of the method.
        </Typography>
      )}
      {(current?.found.length ?? 0) > 0 && (
        <Typography sx={{ mt: 0.5 }}>From the words: {current?.found.join(", ")}.</Typography>
      )}
    </>
  );
}

type Mark = Reading["marks"][number];
type Stretch = Pick<Mark, "start" | "end">;

/** The text as pasted, what the baker told of it, and the pan offered that she took. */
function usePasted() {
  const [search, setSearch] = useSearchParams();
  const [shared] = useState(() => sharedIn(search));
  const [text, setText] = useState(() => {
    const whole = withShared(pastedBefore(), shared?.text ?? "");
    return whole.length > LONGEST_TEXT ? pastedBefore() : whole;
  });
  const onlyAddress = shared?.onlyAddress === true && text === "";
  // What was shared is taken once: a reload has it from the store, as if it were pasted.
  useEffect(() => {
    if (!shared) return;
    keepPasted(text);
    setSearch({}, { replace: true });
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, as the room opens
  }, []);
  const [told, setTold] = useState<Told[]>([]);
  const [offer, setOffer] = useState<PanOffer | null>(null);
  const [tooLong, setTooLong] = useState(0);
  /** Say when a text is longer than any card could hold. */
  const refuses = (signs: number) => {
    setTooLong(signs > LONGEST_TEXT ? signs : 0);
    return signs > LONGEST_TEXT;
  };
  /** Take what is pasted or typed; what no card could hold is refused before it is drawn. */
  const take = (next: string) => {
    if (refuses(next.length)) return;
    setTold((said) => toldAfter(said, text, next));
    setOffer(null);
    setText(next);
    keepPasted(next);
  };
  const tell = (mark: Stretch, kind: MarkRole) => {
    setOffer(null);
    setTold((said) => [
      ...said.filter((one) => one.end <= mark.start || one.start >= mark.end),
      { start: mark.start, end: mark.end, kind },
    ]);
  };
  const forget = (mark: Mark | null) => {
    setOffer(null);
    setTold((said) =>
      said.filter((one) => !mark || one.end <= mark.start || one.start >= mark.end),
    );
  };
  return { text, told, offer, setOffer, tooLong, onlyAddress, refuses, take, tell, forget };
}

/** A text that no card could hold. */
function TooLong({ signs }: { signs: number }) {
  return (
    <Alert severity="error" sx={{ mb: 1 }}>
      That is {signs.toLocaleString()} signs; a recipe has at most {LONGEST_TEXT.toLocaleString()}.
      It is still on your clipboard: paste one recipe of it at a time.
    </Alert>
  );
}

/** A page shared by its address: what is on it cannot be fetched. */
function OnlyAddress() {
  return (
    <Alert severity="info" sx={{ mb: 1 }}>
      Only the address of a page was shared, and nothing is fetched from elsewhere. Mark the recipe
      on the page and share that, or paste it here.
    </Alert>
  );
}

/** Keep the card as it is read and go to a fit in its own pans. */
function useFitAtOnce() {
  const navigate = useNavigate();
  return useMutation({
    mutationFn: async (card: Card) =>
      answered(await client.POST("/api/recipes", { body: { card, imported: false } })),
    onSuccess: ({ row }) => {
      keepPasted("");
      void navigate(fitAddress(row));
    },
  });
}

/** Paste a recipe and watch how it is read; then lay it on the desk. */
export function PasteRoom() {
  const pasted = usePasted();
  const { text, told, offer, setOffer, tooLong, onlyAddress, refuses, take } = pasted;
  const [caret, setCaret] = useState(0);
  const shown = useDeferredValue(text);
  const read = useQuery(readingQuery(shown, told));
  const current = text.trim() !== "" && read.data ? read.data : null;
  const marks = current?.text === text ? current.marks : [];
  const asked = current?.text === text ? openOf(current.ledger) : NONE;
  const card = current ? withOffer(current.card, offer) : null;
  const mark = markAt(marks, caret);
  const navigate = useNavigate();
  const layOut = () => {
    if (!card) return;
    keepPasted("");
    const name = newDraftName();
    keepDraft(name, { card, base: 0, found: read.data?.found ?? [], imported: false });
    void navigate(`/recipes/new?draft=${name}`);
  };
  const fit = useFitAtOnce();
  return (
    <Room fill>
      <PasteHead
        ready={card !== null}
        onFit={fit.isPending || !card ? null : () => fit.mutate(card)}
        onLayOut={layOut}
      />
      {fit.isError && (
        <Alert severity="error" sx={{ mb: 1 }}>
          {fit.error.message} Lay it on the desk to mend it.
        </Alert>
      )}
      <Box
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          const file = event.dataTransfer.files[0];
          if (!file) return;
          event.preventDefault();
          void file.text().then(take);
        }}
        sx={(t) => ({
          display: "grid",
          gridTemplateColumns: { md: "1fr 1fr" },
          flex: { md: 1 },
          minHeight: { lg: 0 },
          bgcolor: "background.paper",
          border: `2px solid ${t.vars.palette.bench.rim}`,
          borderRadius: 2,
          overflow: "hidden",
        })}
      >
        <Box sx={{ display: "flex", flexDirection: "column", minHeight: 0 }}>
          <Box sx={{ overflowY: "auto", flex: 1, maxHeight: { xs: "50vh", md: "none" } }}>
            <MarkedBox
              text={text}
              placeholder={EXAMPLE}
              marks={marks}
              asked={asked}
              onChange={take}
              onCaret={setCaret}
              onTooLong={refuses}
            />
            <PictureButton onText={take} />
          </Box>
          <MarkBar
            text={text}
            mark={mark}
            told={told.some((one) => mark && one.start < mark.end && mark.start < one.end)}
            onTell={(kind) => mark && pasted.tell(mark, kind)}
            onForget={() => pasted.forget(mark)}
          />
        </Box>
        <Box
          sx={{
            p: 2.5,
            borderLeft: { md: 1 },
            borderTop: { xs: 1, md: 0 },
            borderColor: { xs: "divider", md: "divider" },
            overflowY: "auto",
          }}
          aria-live="polite"
        >
          {tooLong > 0 && <TooLong signs={tooLong} />}
          {onlyAddress && <OnlyAddress />}
          {current && current.apart.length > 1 && (
            <Apart apart={current.apart} onPick={(one) => take(text.slice(one.start, one.end))} />
          )}
          {!card && !read.isError && (
            <Typography color="textSecondary">
              Any text: a list, a message, the method alone, a table. What is read shows here as you
              paste, and is marked in your text; tap a mark to say that it is something else.
            </Typography>
          )}
          {read.isError && text.trim() !== "" && (
            <Alert severity="error">{read.error.message}</Alert>
          )}
          {card && (
            <AsRead
              text={shown}
              card={card}
              current={current}
              offer={offer}
              onOffer={setOffer}
              tell={pasted.tell}
            />
          )}
        </Box>
      </Box>
    </Room>
  );
}

/** Its title, and the two ways on: onto the desk, or straight into a fit. */
function PasteHead(props: { ready: boolean; onFit: (() => void) | null; onLayOut: () => void }) {
  const { ready, onFit, onLayOut } = props;
  return (
    <RoomHead
      title="Paste a recipe"
      more={
        <>
          <Button component={Link} to="/recipes">
            Leave
          </Button>
          <Button disabled={!onFit} onClick={() => onFit?.()}>
            Save and fit it
          </Button>
        </>
      }
      main={
        <NextButton disabled={!ready} onClick={onLayOut}>
          Lay it on the desk
        </NextButton>
      }
    />
  );
}
