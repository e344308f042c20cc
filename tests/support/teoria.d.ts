declare module 'teoria' {
  interface Note {
    scale(name: string): { simple(): string[] };
  }
  const teoria: { note(name: string): Note };
  export default teoria;
}
