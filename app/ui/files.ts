/** Hands a text or bytes to the browser as a download. */
export function download(name: string, type: string, content: string | Uint8Array | Blob): void {
  const url = URL.createObjectURL(new Blob([content as BlobPart], { type }));
  const link = Object.assign(document.createElement('a'), { href: url, download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** Letters, digits and dashes only, for a file's name. */
export const fileName = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/♯|(?<=\b[A-G])#/g, 'sharp')
    .replace(/♭|(?<=\b[A-G])b\b/g, 'flat')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .toLowerCase() || 'crow-ladder';
