/** The bytes of a file as text, as requests carry them. */
export async function base64Of(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  let text = "";
  for (let at = 0; at < bytes.length; at += 32_768) {
    text += String.fromCharCode(...bytes.subarray(at, at + 32_768));
  }
  return btoa(text);
}
