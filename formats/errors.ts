/** Why a file could not be read: where in it, and what was expected there. Nothing was taken from it. */
export class FormatError extends Error {
  /** Line, counted from 1, or null where the whole file is meant. */
  readonly line: number | null;
  constructor(message: string, line: number | null = null) {
    super(line === null ? message : `line ${line}: ${message}`);
    this.name = 'FormatError';
    this.line = line;
  }
}

export const refuseFile = (message: string, line: number | null = null): never => {
  throw new FormatError(message, line);
};
