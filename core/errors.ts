/** Every way the core can say no. The code is stable, the message is for a guitarist. */
export type CoreErrorCode =
  | 'BAD_NOTE' // not a note name such as F# or Bb
  | 'BAD_PITCH' // not a pitch such as E2
  | 'BAD_DEGREE' // not a degree such as b3
  | 'BAD_SCALE' // a degree list that makes no scale
  | 'UNKNOWN_SCALE' // no scale of that name
  | 'BAD_INSTRUMENT' // strings, frets, lengths or capo out of range
  | 'BAD_PLACE' // string or fret that the instrument does not have
  | 'BAD_LAYOUT' // a layout option out of range
  | 'BAD_OPTION' // any other option out of range
  | 'NOT_IN_SCALE' // a chosen place whose note is not in the scale
  | 'NO_SKELETON' // the scale has no pentatonic skeleton, so no five boxes
  | 'NO_SHAPE_FITS' // nothing whole fits on this neck
  | 'NO_ROUTE'; // no line from here to there within the neck, the strings and the frets allowed

/**
 * The only error the core throws.
 * `field` names the offending input by path, for example `strings[2].open`.
 */
export class CoreError extends Error {
  readonly code: CoreErrorCode;
  readonly field: string;
  constructor(code: CoreErrorCode, field: string, message: string) {
    super(message);
    this.name = 'CoreError';
    this.code = code;
    this.field = field;
  }
}

/** A value as a message may show it: short, whatever it is. */
export function shown(value: unknown): string {
  const text = typeof value === 'string' ? value : (JSON.stringify(value) ?? typeof value);
  return text.length > 40 ? `${text.slice(0, 37)}...` : text;
}

/**
 * Ends a computation with a refusal in words.
 * @throws CoreError always
 */
export const fail = (code: CoreErrorCode, field: string, message: string): never => {
  throw new CoreError(code, field, message);
};

/** Throws unless `value` is a whole number from `min` to `max`, both included; `where` is the field in words. */
export function checkWhole(code: CoreErrorCode, field: string, value: unknown, min: number, max: number, where = field): number {
  if (typeof value === 'number' && Number.isInteger(value) && value >= min && value <= max) return value;
  return fail(code, field, `${where}: ${shown(value)} is not a whole number from ${min} to ${max}.`);
}

/** Throws unless `value` is one of some words. */
export function checkOneOf(code: CoreErrorCode, field: string, value: unknown, words: readonly string[]): void {
  if (!words.includes(value as string)) fail(code, field, `${field}: "${shown(value)}" is none of ${words.join(', ')}.`);
}

/** Throws unless `value` is a finite number from `min` to `max`, both included. */
export function checkNumber(code: CoreErrorCode, field: string, value: unknown, min: number, max: number, where = field): number {
  if (typeof value === 'number' && Number.isFinite(value) && value >= min && value <= max) return value;
  return fail(code, field, `${where}: ${shown(value)} is not a number from ${min} to ${max}.`);
}
