/** A key nobody else has: 32 digits of chance. It needs no secure page, so a second screen has it. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
}
