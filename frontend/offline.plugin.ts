import type { Plugin } from "vite";

const ROOM = /\/rooms\/day\/DayRoom\.tsx$/;
const WORKER = "sw.js";
/** Of what is no script: the styles, the letters of these languages, the clock beside the page. */
const BESIDE = /(\.css|-latin-wght-normal-[\w-]+\.woff2|ticker\.worker-[\w-]+\.js)$/;

interface Chunk {
  type: string;
  code?: string;
  facadeModuleId?: string | null;
  isEntry?: boolean;
  imports?: string[];
  dynamicImports?: string[];
}

/** A short name of a text that changes with any sign of it. */
function nameOf(text: string): string {
  let [low, high] = [2166136261, 5381];
  for (const sign of text) {
    low = Math.imul(low ^ sign.charCodeAt(0), 16777619) >>> 0;
    high = (Math.imul(high, 33) ^ sign.charCodeAt(0)) >>> 0;
  }
  return low.toString(36) + high.toString(36);
}

/** Builds the worker that keeps the open day, and tells it which files that room needs. */
export function keepsTheDay(): Plugin {
  return {
    name: "keeps-the-day",
    apply: "build",
    buildStart() {
      this.emitFile({ type: "chunk", id: "src/offline/sw.ts", fileName: WORKER });
    },
    generateBundle(_, bundle) {
      const chunks = bundle as unknown as Record<string, Chunk>;
      const needed = new Set<string>();
      const take = (name: string, later: boolean) => {
        if (needed.has(name)) return;
        needed.add(name);
        const { imports = [], dynamicImports = [] } = chunks[name] ?? {};
        for (const one of [...imports, ...(later ? dynamicImports : [])]) take(one, later);
      };
      for (const [name, one] of Object.entries(chunks)) {
        if (one.isEntry && name !== WORKER && one.facadeModuleId?.endsWith(".html")) {
          take(name, false);
        }
        if (BESIDE.test(name)) needed.add(name);
      }
      const room = Object.keys(chunks).find((name) =>
        ROOM.test(chunks[name]?.facadeModuleId ?? ""),
      );
      if (room === undefined) throw new Error("The room of the bake day is not among the chunks.");
      needed.delete(room);
      take(room, true);
      const files = [...needed].sort().map((name) => `/static/${name}`);
      const version = nameOf(files.join("\n"));
      const worker = chunks[WORKER];
      if (!worker?.code?.includes("__SHELL__")) throw new Error("The worker takes no files.");
      if (worker.imports?.length) throw new Error("The worker has to be one file.");
      worker.code = worker.code.replaceAll("__SHELL__", JSON.stringify({ version, files }));
    },
  };
}
