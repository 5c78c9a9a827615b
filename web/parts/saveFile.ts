/** Gives a text to the person as a file. */
export function saveFile(text: string, name: string, type: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** A name as part of a file's name. */
export function fileNameOf(name: string): string {
  return name.replaceAll(/[^\p{L}\p{N}]+/gu, '-');
}
