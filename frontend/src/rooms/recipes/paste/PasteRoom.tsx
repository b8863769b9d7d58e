import { Alert, Box, Button, InputBase, Typography } from "@mui/material";
import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { useNavigate } from "react-router";

import { LONGEST_TEXT } from "../../../api/bounds";
import { NextButton } from "../../../ui/NextButton";
import { keepDraft, newDraftName } from "../drafts";
import { MarkedText } from "../desk/lines/MarkedText";
import { deskQuery, readingQuery } from "../../../api/queries/recipes";

const EXAMPLE = `Plum and oat squares
Makes 16

2 2/3 cups wholemeal flour, aerated
115 g (½ cup) unsalted butter, softened
190 g kefir, divided
a pinch of mace

1. Heat the oven to 180 °C …`;

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

/** Paste a recipe and watch how it is read; then lay it on the desk. */
export function PasteRoom() {
  const [text, setText] = useState(pastedBefore);
  const [tooLong, setTooLong] = useState(0);
  /** Take what is pasted or typed; what no card could hold is refused before it is drawn. */
  const take = (next: string) => {
    setTooLong(next.length > LONGEST_TEXT ? next.length : 0);
    if (next.length > LONGEST_TEXT) return;
    setText(next);
    keepPasted(next);
  };
  const read = useQuery(readingQuery(useDeferredValue(text)));
  const card = text.trim() === "" ? null : (read.data?.card ?? null);
  const desk = useQuery(deskQuery(card, null, []));
  const navigate = useNavigate();
  const layOut = () => {
    if (!card) return;
    keepPasted("");
    const name = newDraftName();
    keepDraft(name, { card, base: 0, found: read.data?.found ?? [], imported: false });
    void navigate(`/recipes/new?draft=${name}`);
  };
  return (
    <Box
      sx={{
        p: { xs: 1.5, sm: 2.5 },
        flex: 1,
        display: "flex",
        flexDirection: "column",
        minHeight: { lg: 0 },
      }}
    >
      <Box sx={{ display: "flex", gap: 1, alignItems: "center", mb: 1.25, flexWrap: "wrap" }}>
        <Typography variant="roomTitle" sx={{ flex: 1, minWidth: 200 }}>
          Paste a recipe
        </Typography>
        <Button onClick={() => void navigate("/recipes")}>Leave</Button>
        <NextButton disabled={!card} onClick={layOut}>
          Lay it on the desk
        </NextButton>
      </Box>
      <Box
        sx={(t) => ({
          display: "grid",
          gridTemplateColumns: { md: "1fr 1fr" },
          flex: 1,
          minHeight: { lg: 0 },
          bgcolor: "background.paper",
          border: `2px solid ${t.vars.palette.bench.rim}`,
          borderRadius: 2,
          overflow: "hidden",
        })}
      >
        <InputBase
          multiline
          autoFocus
          value={text}
          onChange={(event) => take(event.target.value)}
          onPaste={(event) => {
            const pasted = event.clipboardData.getData("text");
            if (pasted.length <= LONGEST_TEXT) return;
            event.preventDefault();
            setTooLong(pasted.length);
          }}
          placeholder={EXAMPLE}
          inputProps={{ "aria-label": "Recipe text", spellCheck: false }}
          sx={{
            alignItems: "flex-start",
            p: 2.5,
            fontSize: "size.read",
            lineHeight: 1.5,
            minHeight: 220,
            overflowY: "auto",
            "& textarea": { minHeight: "100%" },
          }}
        />
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
          {tooLong > 0 && (
            <Alert severity="error" sx={{ mb: 1 }}>
              That is {tooLong.toLocaleString()} signs; a recipe has at most{" "}
              {LONGEST_TEXT.toLocaleString()}. It is still on your clipboard: paste one recipe of it
              at a time.
            </Alert>
          )}
          {!card && !read.isError && (
            <Typography color="textSecondary">
              Ingredient lines, one a line, with the method if you have it. Cups, spoons, grams and
              eggs may stand side by side. What is read shows here as you paste.
            </Typography>
          )}
          {read.isError && text.trim() !== "" && (
            <Alert severity="error">{read.error.message}</Alert>
          )}
          {card && (
            <>
              <Typography sx={{ fontWeight: 700, fontSize: "size.strong" }}>
                {card.title}
              </Typography>
              {card.lines.map((line, place) => {
                const shown = desk.data?.lines.find((one) => one.key === line.key);
                const component = card.components.find((one) => one.key === line.component);
                const first = card.lines[place - 1]?.component !== line.component;
                return (
                  <Box key={line.key}>
                    {first && component?.title && (
                      <Typography sx={{ fontWeight: 700, mt: 1 }} color="textSecondary">
                        {component.title}
                      </Typography>
                    )}
                    <Box
                      sx={{
                        display: "flex",
                        gap: 1.5,
                        py: 0.5,
                        borderBottom: 1,
                        borderColor: "divider",
                      }}
                    >
                      <Box sx={{ flex: 1 }}>
                        <MarkedText
                          text={line.text}
                          marks={shown?.marks ?? []}
                          known={!shown || shown.ingredient !== null}
                        />
                        {line.name === "" && line.amount === null && (
                          <Box component="span" sx={{ color: "text.secondary" }}>
                            {" "}
                            (not read; asked about on the desk)
                          </Box>
                        )}
                      </Box>
                      <Typography component="span" sx={{ fontWeight: 700, whiteSpace: "nowrap" }}>
                        {shown?.shown}
                      </Typography>
                    </Box>
                  </Box>
                );
              })}
              {card.steps.length > 0 && (
                <Typography sx={{ mt: 1.5 }}>
                  {card.steps.length} {card.steps.length === 1 ? "step" : "steps"} of the method.
                </Typography>
              )}
              {(read.data?.found.length ?? 0) > 0 && (
                <Typography sx={{ mt: 0.5 }}>
                  From the words: {read.data?.found.join(", ")}.
                </Typography>
              )}
            </>
          )}
        </Box>
      </Box>
    </Box>
  );
}
