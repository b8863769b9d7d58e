/** What another app shared with this one, as it came in the address. */
export interface Shared {
  text: string;
  /** An address alone was shared: nothing can be fetched from it. */
  onlyAddress: boolean;
}

const ADDRESS = /^\s*https?:\/\/\S+\s*$/;

/** The shared text with its title first; null where nothing was shared. */
export function sharedIn(search: URLSearchParams): Shared | null {
  const [title, text, url] = ["title", "text", "url"].map((name) => search.get(name)?.trim() ?? "");
  if (!title && !text && !url) return null;
  if (!text || ADDRESS.test(text)) return { text: "", onlyAddress: true };
  // Phones often give the title once more as the first line of the text.
  const whole = title && !text.startsWith(title) ? `${title}\n${text}` : text;
  return { text: whole, onlyAddress: false };
}

/** What is shared comes after what was pasted before: nothing that was typed is lost. */
export function withShared(before: string, shared: string): string {
  if (!shared || before.includes(shared)) return before;
  return before.trim() ? `${before.trimEnd()}\n\n${shared}` : shared;
}
