declare module 'chord-symbol/lib/chord-symbol-esm.js' {
  export function chordParserFactory(): (symbol: string) => { normalized: { notes: string[] } } | { error: unknown[] };
}
