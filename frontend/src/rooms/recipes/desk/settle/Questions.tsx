import { Box, Button } from "@mui/material";
import { useMutation } from "@tanstack/react-query";

import { answered, client } from "../../../../api/client";
import type { Card, CardLine, Ingredient, Question } from "../../../../api/client";
import { percent } from "../../../../domain/numbers";
import { AskedRow } from "../../AskedRow";
import { withLine } from "../changes";
import { IngredientPicker } from "../lines/IngredientPicker";
import { useRememberName } from "../lines/useRememberName";

interface QuestionsProps {
  card: Card;
  questions: readonly Question[];
  edit: (change: (card: Card) => Card) => void;
}

/** What could not be read for certain, asked once; answers are remembered for the next card. */
export function Questions({ card, questions, edit }: QuestionsProps) {
  return (
    <Box component="section" aria-label="Questions">
      <AllNames card={card} questions={questions} edit={edit} />
      {questions.map((question) => {
        const line = card.lines.find((one) => one.key === question.line);
        return (
          line && (
            <OneQuestion
              key={`${String(question.line)}-${question.ask}`}
              question={question}
              line={line}
              edit={edit}
            />
          )
        );
      })}
    </Box>
  );
}

/** Several names that are only nearly known: one tap takes the likeliest of each. */
function AllNames({ card, questions, edit }: QuestionsProps) {
  const remember = useMutation({
    mutationFn: async (answers: readonly { phrase: string; ingredient: string }[]) => {
      for (const body of answers) answered(await client.POST("/api/answers", { body }));
    },
  });
  const guesses = questions.flatMap((question) => {
    const line = card.lines.find((one) => one.key === question.line);
    const first = question.near[0];
    return question.ask === "name" && line && first ? [{ line, first }] : [];
  });
  if (guesses.length < 2) return null;
  const take = () => {
    remember.mutate(
      guesses.map(({ line, first }) => ({ phrase: line.name || line.text, ingredient: first.key })),
    );
    edit((now) =>
      guesses.reduce(
        (card, { line, first }) => withLine(card, { ...line, ingredient: first.key, state: "" }),
        now,
      ),
    );
  };
  return (
    <Button variant="outlined" onClick={take} sx={{ mb: 1 }}>
      All {guesses.length} as guessed:{" "}
      {guesses.map(({ line, first }) => `${line.name || line.text} is ${first.name}`).join(", ")}
    </Button>
  );
}

function OneQuestion(props: { question: Question; line: CardLine; edit: QuestionsProps["edit"] }) {
  const { question, line, edit } = props;
  const name = useRememberName(line.name || line.text);
  const unit = useMutation({
    mutationFn: async (answer: "oz" | "fl oz") =>
      answered(await client.POST("/api/answers", { body: { phrase: line.name, unit: answer } })),
  });
  const change = (part: Partial<CardLine>) => edit((now) => withLine(now, { ...line, ...part }));
  const leave = () => {
    if (question.ask === "name") name.mutate("");
    change({ settled: [...line.settled, question.ask] });
  };
  const take = (one: Ingredient) => {
    if (question.ask === "name") name.mutate(one.key);
    change({ ingredient: one.key, state: "", name: line.name || one.name });
  };
  const ounces = (answer: "oz" | "fl oz") => {
    unit.mutate(answer);
    change({ unit_assumed: false, amount: line.amount && { ...line.amount, unit: answer } });
  };
  return (
    <Box data-question={question.ask}>
      <AskedRow text={question.text}>
        {question.near.map((one) => (
          <Button key={one.key} variant="outlined" onClick={() => take(one)}>
            {one.name}
          </Button>
        ))}
        {question.ask === "ounces" && (
          <>
            <Button variant="outlined" onClick={() => ounces("oz")}>
              Weight
            </Button>
            <Button variant="outlined" onClick={() => ounces("fl oz")}>
              Fluid
            </Button>
          </>
        )}
        {question.parts.length > 0 && (
          <Button variant="outlined" onClick={() => change({ parts: question.parts })}>
            As the method says:{" "}
            {question.parts
              .map((part) => `${part.written || percent(part.share)} ${part.name}`)
              .join(", ")}
          </Button>
        )}
        {question.ask === "name" && (
          <IngredientPicker value={null} typed={line.name} onPick={(one) => one && take(one)} />
        )}
        {question.ask !== "ounces" && <Button onClick={leave}>Leave it as written</Button>}
      </AskedRow>
    </Box>
  );
}
