import { useMutation } from "@tanstack/react-query";

import { answered, client } from "../../../../api/client";

/** Tell the kitchen what a name means, so that the next card is not asked again. */
export function useRememberName(phrase: string) {
  return useMutation({
    mutationFn: async (ingredient: string) =>
      answered(await client.POST("/api/answers", { body: { phrase, ingredient } })),
  });
}
