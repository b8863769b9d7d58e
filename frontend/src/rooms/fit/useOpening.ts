import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";

import { openingQuery } from "../../api/queries/fit";
import { requestOf } from "../../domain/fitChoices";
import { entryOf } from "../../domain/opened";
import type { FitChoicesInHand } from "./shared/useFitChoices";

/** Open a fit with an answer: the pans the kitchen names, said, to be changed with a tap. */
export function useOpening({ choices, choose }: FitChoicesInHand) {
  const [opened, setOpened] = useState({ words: "", into: "" });
  const wanted = choices.opens && choices.into.length === 0 && choices.recipe !== null;
  const opening = useQuery(openingQuery(wanted ? requestOf(choices) : null));
  const answer = wanted ? (opening.data ?? null) : null;
  const [last, setLast] = useState(answer);
  if (answer !== null && answer !== last) {
    setLast(answer);
    setOpened({ words: answer.words, into: JSON.stringify(answer.into.map(entryOf)) });
  }
  const failed = wanted && opening.isError;
  useEffect(() => {
    if (!choices.opens) return;
    if (!wanted || failed) choose({ opens: false });
    else if (answer !== null) {
      choose({
        opens: false,
        into: answer.into.map(entryOf),
        rule: answer.rule,
        eggCount: answer.egg_count,
      });
    }
  }, [answer, failed, wanted, choices.opens, choose]);
  // It is said for as long as the pans are those.
  const said = JSON.stringify(choices.into) === opened.into ? opened.words : "";
  return { waiting: wanted && !failed, said };
}
