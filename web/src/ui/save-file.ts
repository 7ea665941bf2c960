/** Hands a file that was made here to the browser to keep. */
export function saveFile(name: string, type: string, content: BlobPart): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
