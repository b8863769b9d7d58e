import { useMutation, useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { useSearchParams } from "react-router";

import { answered, client } from "../../api/client";
import type { PacketTyped } from "../../api/client";
import { labelQuery } from "../../api/queries/labels";
import { savedBlob } from "../../ui/saving";
import type { Said } from "../../ui/SaidBar";
import { labelAsked, labelChoicesFrom, withLabelChoice } from "./labelChoices";
import type { LabelChoices } from "./labelChoices";

/** A label as the address asks for it, what is said of it, and how it is printed. */
export function useLabel() {
  const [search, setSearch] = useSearchParams();
  const [said, setSaid] = useState<Said | null>(null);
  const asked = useMemo(() => labelAsked(search), [search]);
  const label = useQuery(labelQuery(asked));
  const print = useMutation({
    mutationFn: async ({ count, first }: { count: number; first: number }) => {
      if (!asked) return;
      const pdf = answered(
        await client.POST("/api/labels/pdf", { body: { ...asked, count, first }, parseAs: "blob" }),
      );
      savedBlob(pdf as unknown as Blob, "labels.pdf");
    },
  });
  const text = useMutation({
    mutationFn: async () => {
      if (!asked) return;
      const words = answered(
        await client.POST("/api/labels/text", { body: asked, parseAs: "text" }),
      );
      savedBlob(new Blob([words], { type: "text/plain" }), "label.txt");
    },
  });
  const card = useMutation({
    mutationFn: async () => {
      if (!asked) return;
      const pdf = answered(await client.POST("/api/labels/card", { body: asked, parseAs: "blob" }));
      savedBlob(pdf as unknown as Blob, "card.pdf");
    },
  });
  const forget = useMutation({
    mutationFn: async (key: string) => {
      answered(await client.DELETE("/api/labels/packets", { params: { query: { key } } }));
    },
  });
  const settle = useMutation({
    mutationFn: async (packet: PacketTyped) =>
      answered(await client.PUT("/api/labels/packets", { body: packet })),
    onSuccess: (now) => {
      setSaid({
        words: `${now.called}: kept for every label with it.`,
        undo: () => forget.mutate(now.key),
      });
    },
  });
  return {
    asked,
    label,
    choices: labelChoicesFrom(search),
    choose: (change: Partial<LabelChoices>) =>
      setSearch((now) => withLabelChoice(now, change), { replace: true }),
    fitAddress: `/fit/finish?${search.toString()}`,
    print,
    text,
    card,
    settle,
    said,
    clear: () => setSaid(null),
  };
}

export type LabelInHand = ReturnType<typeof useLabel>;
