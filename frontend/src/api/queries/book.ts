import { queryOptions } from "@tanstack/react-query";

import { answered, client } from "../client";
import type { Book } from "../client";

const BEAT_MS = 700;

/** Whether a book is being made at this moment. */
export const inTheMaking = (book: Book | null | undefined) =>
  Boolean(book && !book.ready && !book.failed);

/** The book that is made, or was made last; null where none was begun since the start. */
export const bookQuery = () =>
  queryOptions({
    queryKey: ["book"],
    queryFn: async ({ signal }): Promise<Book | null> =>
      (answered(await client.GET("/api/book", { signal })) as Book | undefined) ?? null,
    refetchInterval: (query) => (inTheMaking(query.state.data) ? BEAT_MS : false),
    staleTime: 0,
  });
