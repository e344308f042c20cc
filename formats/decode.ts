/** Text of bytes: UTF-8, UTF-16 where it begins with its mark, else the old western alphabet, which is said. */
export function decode(bytes: Uint8Array): { readonly text: string; readonly remark: string | null } {
  const marked = bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null;
  if (marked) return { text: new TextDecoder(marked).decode(bytes), remark: null };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), remark: null };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      remark: 'The text is not UTF-8; it was read as western European, so odd letters may be wrong.',
    };
  }
}
