interface Saved {
  file_name: string;
  media_type: string;
  text: string;
}

/** Hand a file to the browser to save. */
export function savedFile(file: Saved): void {
  savedBlob(new Blob([file.text], { type: file.media_type }), file.file_name);
}

/** Hand what a file holds to the browser to save. */
export function savedBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url));
}
