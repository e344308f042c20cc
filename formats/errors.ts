/** Letters of a message at most: what a file says of itself may be as long as the file. */
const MOST_MESSAGE = 300;
const bounded = (text: string): string => (text.length > MOST_MESSAGE ? `${text.slice(0, MOST_MESSAGE - 1)}…` : text);

/** Why a file could not be read: where in it, and what was expected there. Nothing was taken from it. */
export class FormatError extends Error {
  /** Line, counted from 1, or null where the whole file is meant. */
  readonly line: number | null;
  constructor(message: string, line: number | null = null) {
    super(bounded(line === null ? message : `line ${line}: ${message}`));
    this.name = 'FormatError';
    this.line = line;
  }
}

export const refuseFile = (message: string, line: number | null = null): never => {
  throw new FormatError(message, line);
};

/** What a file says, as a message may show it: short, in quotes, without line ends. */
export const quoted = (text: string): string => {
  const plain = text.replace(/\s+/g, ' ').trim();
  return `“${plain.length > 40 ? `${plain.slice(0, 39)}…` : plain}”`;
};
