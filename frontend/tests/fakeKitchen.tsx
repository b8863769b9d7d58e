import createCache from "@emotion/cache";
import { CacheProvider } from "@emotion/react";
import { ThemeProvider } from "@mui/material";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { MemoryRouter, Route, Routes } from "react-router";
import { vi } from "vitest";

import type { Topic } from "../src/api/client";
import { listen } from "../src/api/topics";
import { theme } from "../src/ui/theme";

export interface Asked {
  method: string;
  path: string;
  search: URLSearchParams;
  body: unknown;
}

type Answer = { status?: number; body: unknown };
type Answers = Record<string, Answer | ((asked: Asked) => Answer)>;

/** A kitchen that answers as told, and remembers what it was asked: "POST /api/desk" and so on. */
export function fakeKitchen(answers: Answers): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal("fetch", async (input: Request) => {
    const url = new URL(input.url);
    const text = input.method === "GET" ? "" : await input.clone().text();
    const one: Asked = {
      method: input.method,
      path: url.pathname,
      search: url.searchParams,
      body: text ? (JSON.parse(text) as unknown) : null,
    };
    asked.push(one);
    const told = answers[`${one.method} ${one.path}`];
    const answer = typeof told === "function" ? told(one) : told;
    const { status = 200, body } = answer ?? {
      status: 404,
      body: problem("not_found", "Nothing."),
    };
    const topics = one.method === "GET" || status >= 400 ? [] : topicsOf(one.path);
    return new Response(status === 204 ? null : JSON.stringify(body), {
      status,
      headers: {
        "content-type": status < 400 ? "application/json" : "application/problem+json",
        ...(topics.length > 0 ? { "Kitchen-Touched": ["1", ...topics].join(" ") } : {}),
      },
    });
  });
  return asked;
}

/** What a write to an address touches, as the kitchen itself tells by the tables it wrote to. */
const TOUCHES: Readonly<Record<string, readonly Topic[]>> = {
  answers: ["answers"],
  bakes: ["bakes"],
  bowls: ["bowls", "habits"],
  copies: ["copies"],
  days: ["days", "orders", "ticks"],
  devices: ["devices"],
  fits: ["fits"],
  ingredients: ["ingredients"],
  kitchen: ["habits"],
  larder: ["larder"],
  leftovers: ["leftovers"],
  labels: ["labels"],
  orders: ["orders"],
  ovens: ["ovens"],
  packs: ["larder"],
  pans: ["pans"],
  rack: ["pans"],
  recipes: ["recipes"],
  workday: ["orders"],
};
/** Asked with a body, and nothing is written. */
const READS = /^\/api\/(labels(\/card|\/text)?|plan(\/file\/\w+)?)$/;

function topicsOf(path: string): readonly Topic[] {
  if (READS.test(path)) return [];
  const head = path.split("/")[2] ?? "";
  return head === "plan" ? ["orders"] : (TOUCHES[head] ?? []);
}

export function problem(code: string, detail: string, field = "") {
  return {
    type: `urn:entremet:problem:${code}`,
    title: "Problem",
    status: 422,
    code,
    detail,
    errors: field ? [{ field, text: detail }] : [],
  };
}

/**
 * Styles are made and kept out of the page: jsdom would walk all their rules at every look whether
 * something is hidden, which is most of the time a test takes. Colours and sizes are the browser's.
 */
const styles = createCache({ key: "css", container: document.createElement("div") });

let deafened: () => void = () => {};

/** Show a part of the application at an address, with the fake kitchen behind it. */
export function showAt(part: React.ReactNode, path = "/", pattern = "*") {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  deafened();
  deafened = listen(queries);
  return render(
    <CacheProvider value={styles}>
      <ThemeProvider theme={theme}>
        <QueryClientProvider client={queries}>
          <MemoryRouter initialEntries={[path]}>
            <Routes>
              <Route path={pattern} element={part} />
              <Route path="*" element={<div data-testid="elsewhere" />} />
            </Routes>
          </MemoryRouter>
        </QueryClientProvider>
      </ThemeProvider>
    </CacheProvider>,
  );
}

/** Open the choices behind a word of a line, by what they are about. */
export async function openChoices(about: string): Promise<void> {
  await userEvent.click(
    screen.getByRole("button", { name: (name) => name.startsWith(`${about}: `) }),
  );
}
