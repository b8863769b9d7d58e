import type { RefObject } from "react";

interface FileInputProps {
  /** To be clicked by the button that stands for it. */
  handle: RefObject<HTMLInputElement | null>;
  accept: string;
  testId: string;
  onFile: (file: File) => void;
}

/** The hidden half of a button that takes a file; the same file can be taken twice. */
export function FileInput({ handle, accept, testId, onFile }: FileInputProps) {
  return (
    <input
      ref={handle}
      type="file"
      hidden
      accept={accept}
      data-testid={testId}
      onChange={(event) => {
        const file = event.target.files?.[0];
        event.target.value = "";
        if (file) onFile(file);
      }}
    />
  );
}
