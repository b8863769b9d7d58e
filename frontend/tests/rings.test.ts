import { describe, expect, it } from "vitest";

const SOURCES = import.meta.glob<string>("../src/rooms/**/*.{ts,tsx}", {
  query: "?raw",
  import: "default",
  eager: true,
});
const START = "../src/rooms/";
const ROOMS = [...new Set(Object.keys(SOURCES).map((path) => path.split("/")[3] ?? ""))];

/** The folder of a room that a file lies in; null for one of the room itself, which joins them. */
function folder(path: string, room: string): string | null {
  const [first = "", ...rest] = path.slice(START.length + room.length + 1).split("/");
  return rest.length > 0 ? first : null;
}

/** Which folders of a room each of its folders takes from. */
function taken(room: string): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>();
  for (const [path, text] of Object.entries(SOURCES)) {
    const here = path.startsWith(`${START}${room}/`) ? folder(path, room) : null;
    if (here === null) continue;
    for (const [, from = ""] of text.matchAll(/from "(\.[^"]+)"/g)) {
      const other = new URL(from, `file:///${path.slice(3)}`).pathname.slice(1);
      const there = other.startsWith(`src/rooms/${room}/`) ? folder(`../${other}`, room) : null;
      if (there !== null && there !== here) {
        found.set(here, (found.get(here) ?? new Set<string>()).add(there));
      }
    }
  }
  return found;
}

/** A way from a folder back to itself; null where there is none. */
function ring(graph: Map<string, Set<string>>): string[] | null {
  const walk = (at: string, way: string[]): string[] | null => {
    if (way.includes(at)) return [...way.slice(way.indexOf(at)), at];
    for (const next of graph.get(at) ?? []) {
      const found = walk(next, [...way, at]);
      if (found) return found;
    }
    return null;
  };
  for (const start of graph.keys()) {
    const found = walk(start, []);
    if (found) return found;
  }
  return null;
}

describe("folders of a room", () => {
  it.each(ROOMS)("%s: take from each other in one direction only", (room) => {
    expect(ring(taken(room))).toBeNull();
  });

  it("are looked at", () => {
    expect(taken("fit").get("choose")).toContain("shared");
    expect(
      ring(
        new Map([
          ["one", new Set(["other"])],
          ["other", new Set(["one"])],
        ]),
      ),
    ).toEqual(["one", "other", "one"]);
  });
});
