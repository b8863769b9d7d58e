import { Alert, Box, Button, Typography } from "@mui/material";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useState } from "react";
import { Link } from "react-router";

import { answered, client } from "../../../api/client";
import type { Forgotten, Lesson, Taught } from "../../../api/client";
import { taughtQuery } from "../../../api/queries/logbook";
import { workdayQuery } from "../../../api/queries/orders";
import { momentWords } from "../../../domain/moments";
import { percent } from "../../../domain/numbers";
import type { Said } from "../../../ui/SaidBar";
import { SaidBar } from "../../../ui/SaidBar";
import { BakeRow } from "../BakeRow";
import { useBakes } from "../useBakes";
import { LessonPlot } from "./LessonPlot";
import { Scores } from "./Scores";

const KINDS = [
  ["oven", "Your ovens"],
  ["recipe", "Your recipes"],
  ["pan", "Your pans"],
] as const;

/** What all bakes taught: one line each with its band and its plot, and any of it set back. */
export function TaughtView() {
  const taught = useQuery(taughtQuery());
  const zone = useQuery(workdayQuery()).data?.zone ?? "UTC";
  const queries = useQueryClient();
  const { answer } = useBakes();
  const [said, setSaid] = useState<Said | null>(null);
  const forget = useMutation({
    mutationFn: async (body: Forgotten) =>
      answered(await client.POST("/api/bakes/forget", { body })),
    onSuccess: (now, body) => {
      queries.setQueryData(taughtQuery().queryKey, now);
      setSaid({
        words: body.forget
          ? "Set back: it is learnt anew from what comes."
          : "Its earlier bakes count again.",
        undo: () => forget.mutate({ ...body, forget: !body.forget }),
      });
    },
  });
  if (taught.isError) return <Alert severity="error">{taught.error.message}</Alert>;
  if (!taught.data) return <Typography>Looking back…</Typography>;
  const { lessons, quantities, asked, set_back: back } = taught.data;
  const setBack = (kind: Forgotten["kind"], key: string) =>
    forget.mutate({ kind, key, forget: true });
  return (
    <>
      {(forget.isError || answer.isError) && (
        <Alert severity="error">{(forget.error ?? answer.error)?.message}</Alert>
      )}
      {asked.length > 0 && (
        <Part title="To be asked about">
          <Box component="ul" sx={{ listStyle: "none", m: 0, p: 0 }}>
            {asked.map((bake) => (
              <BakeRow
                key={bake.id}
                bake={bake}
                zone={zone}
                onAnswer={(counted) => answer.mutate({ bake, counted })}
              />
            ))}
          </Box>
        </Part>
      )}
      {lessons.length === 0 && quantities.length === 0 ? (
        <Empty taught={taught.data} />
      ) : (
        <>
          <Typography color="textSecondary" sx={{ mb: 1.5, maxWidth: 760 }}>
            In each plot the band is what was said before a bake, the line its likely time, and the
            mark what happened: ● right, ▲ a little over, ▼ raw, against the time with nothing
            learnt. Oven, recipe and pan can trade a shift between them; their sum is what is sure.
          </Typography>
          {KINDS.map(([kind, title]) => {
            const mine = lessons.filter((one) => one.kind === kind);
            return mine.length === 0 ? null : (
              <Part key={kind} title={title}>
                {mine.map((one) => (
                  <LessonLine
                    key={one.key}
                    lesson={one}
                    zone={zone}
                    busy={forget.isPending}
                    onForget={() => setBack(one.kind, one.key)}
                  />
                ))}
              </Part>
            );
          })}
          {quantities.length > 0 && (
            <Part title="Measured">
              {quantities.map((one) => (
                <Line key={`${one.kind}/${one.key}`} words={one.words}>
                  <Button
                    size="small"
                    aria-label={`Set back: ${one.words}`}
                    disabled={forget.isPending}
                    onClick={() => setBack(one.kind as Forgotten["kind"], one.key)}
                  >
                    Set back
                  </Button>
                </Line>
              ))}
            </Part>
          )}
          <Part title="How well it would have done">
            <Scores scores={taught.data.scores} />
          </Part>
        </>
      )}
      {back.length > 0 && (
        <Part title="Set back">
          {back.map((one) => (
            <Line
              key={`${one.kind}/${one.key}`}
              words={`${one.name}: learnt anew since ${momentWords(one.at, zone)}.`}
            >
              <Button
                size="small"
                aria-label={`Let the earlier bakes of ${one.name} count again`}
                disabled={forget.isPending}
                onClick={() =>
                  forget.mutate({
                    kind: one.kind as Forgotten["kind"],
                    key: one.key,
                    forget: false,
                  })
                }
              >
                Count them again
              </Button>
            </Line>
          ))}
        </Part>
      )}
      <SaidBar said={said} onDone={() => setSaid(null)} />
    </>
  );
}

function Empty({ taught }: { taught: Taught }) {
  return (
    <Typography>
      {taught.bakes > 0
        ? "No bake says yet how it was. Open one in the logbook and say so: right, a little over, or raw."
        : "Nothing is logged yet, so every time is the book’s. After the first bakes it says here what your oven, your pans and your recipes do differently."}{" "}
      <Box component={Link} to="/logbook" sx={{ color: "inherit" }}>
        To the bakes
      </Box>
    </Typography>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" sx={{ mb: 3 }}>
      <Typography component="h2" sx={{ fontWeight: 700, fontSize: "size.lead", mb: 0.5 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

function Line({ words, children }: { words: string; children: ReactNode }) {
  return (
    <Box
      sx={{
        display: "flex",
        flexWrap: "wrap",
        alignItems: "center",
        gap: 1,
        py: 0.5,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Typography sx={{ flex: 1, minWidth: 220 }}>{words}</Typography>
      {children}
    </Box>
  );
}

function LessonLine(props: { lesson: Lesson; zone: string; busy: boolean; onForget: () => void }) {
  const { lesson, zone, busy, onForget } = props;
  return (
    <Box
      sx={{
        display: "grid",
        gridTemplateColumns: { xs: "minmax(0, 1fr)", md: "minmax(0, 1fr) minmax(0, 460px)" },
        columnGap: 3,
        rowGap: 0.5,
        py: 1,
        borderBottom: 1,
        borderColor: "divider",
      }}
    >
      <Box>
        <Typography sx={{ fontWeight: 650 }}>{lesson.words}</Typography>
        <Typography color="textSecondary" sx={{ fontSize: "size.small" }}>
          {`Of its newest bake the window was ± ${percent(lesson.window_before)} with nothing learnt; it is ± ${percent(lesson.window_now)} now.`}
        </Typography>
        <Button
          size="small"
          sx={{ ml: -0.75 }}
          aria-label={`Set back what was learnt of ${lesson.name}`}
          disabled={busy}
          onClick={onForget}
        >
          Set back
        </Button>
      </Box>
      <LessonPlot lesson={lesson} zone={zone} />
    </Box>
  );
}
