/** Hands a text to the browser as a file to save. */
export function saveTextFile(name: string, text: string, type: string): void {
  saveFile(new File([text], name, { type }));
}

/** Hands a file to the browser to save under its name. */
export function saveFile(file: File): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = file.name;
  link.click();
  // The download has begun by the next task; the memory can go.
  setTimeout(() => URL.revokeObjectURL(url), 0);
}
