import { useMutation } from "@tanstack/react-query";

import { answered, client } from "../../../../api/client";
import type { Card, CardLine } from "../../../../api/client";
import { nextKey, withLine, withNewLine } from "../changes";

type Edit = (change: (card: Card) => Card) => void;

/** Lines are read by the kitchen: an edited one keeps what was settled, a new one joins its kin. */
export function useLineReading(edit: Edit) {
  const reread = useMutation({
    mutationFn: async ({ was, text }: { was: CardLine; text: string }) =>
      answered(
        await client.POST("/api/readings/line", {
          body: { text, key: was.key, component: was.component, was },
        }),
      ),
    onSuccess: (answer) => edit((card) => withLine(card, answer.line)),
  });
  const add = useMutation({
    mutationFn: async ({ text, component }: { text: string; component: number }) =>
      answered(await client.POST("/api/readings/line", { body: { text, key: 1, component } })),
    onSuccess: (answer) =>
      edit((card) => withNewLine(card, { ...answer.line, key: nextKey(card.lines) })),
  });
  return { reread, add };
}
