/** The browser's file dialog, opened by a button of ours: `input.current?.click()`. */
import type { RefObject } from 'react';

/** Takes one file, and forgets it, so that the same file can be picked again after a correction. */
export function FileInput({
  input,
  label,
  accept,
  onFile,
}: {
  readonly input: RefObject<HTMLInputElement | null>;
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => Promise<unknown>;
}) {
  return (
    <input
      ref={input}
      type="file"
      accept={accept}
      hidden
      aria-label={label}
      onChange={(event) => {
        const file = event.target.files?.[0];
        event.target.value = '';
        if (file) void onFile(file);
      }}
    />
  );
}
