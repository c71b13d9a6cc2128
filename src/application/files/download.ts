/** Hands a file to the browser as a download. */
export function download(fileName: string, type: string, content: string | Uint8Array | Blob): void {
  const address = URL.createObjectURL(content instanceof Blob ? content : new Blob([content as BlobPart], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = fileName;
  link.click();
  URL.revokeObjectURL(address);
}
