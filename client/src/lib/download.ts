/** Hands a file to the browser to be kept under a name. */
export function download(file: Blob, name: string): void {
  const address = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser has taken hold of it by the next turn.
  setTimeout(() => URL.revokeObjectURL(address));
}

/** A name as a file may have it: letters, digits, spaces and hyphens. */
export function fileName(name: string, extension: string): string {
  const plain = name
    .replaceAll(/[^\p{L}\p{N} -]+/gu, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim()
    .slice(0, 60);
  return `${plain || 'timetable'}.${extension}`;
}
