declare module 'teoria' {
  interface Scale {
    simple(): string[];
  }
  interface Note {
    scale(name: string): Scale;
    solfege(scale: Scale): string;
  }
  const teoria: { note(name: string): Note; scale(tonic: string, name: string): Scale };
  export default teoria;
}
