import { fieldWords, type ConflictAnswer, type ErrorAnswer, type Kept, type Problem, type StudyBody } from '../../contract';

/** What became of something asked of the server. */
interface Failure {
  readonly save: 'offline' | 'conflict' | 'gone' | 'refused';
  readonly reason?: string;
  readonly problems?: Problem[];
  readonly current?: Kept<StudyBody>;
}

const STRANGE = 'Something else than Crow Ladder answers at this address.';
const WORDS: Readonly<Record<number, string>> = Object.freeze({
  401: 'this device is not let in, or no more. Load the page again and type in the code.',
  413: 'this study is larger than one save may be. Move some of its licks to another study.',
  415: 'the server did not take the form in which it was sent. Load the page again.',
  500: 'the server met a fault of its own; what it said stands in its window.',
});

/** What a refused or lost save means for the player. Only where no connection came about is the server away. */
export function failureOf(error: unknown): Failure {
  const { status, data } = (error ?? {}) as { readonly status?: number | string; readonly data?: Partial<ConflictAnswer<StudyBody>> };
  if (status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR' || status === undefined) return { save: 'offline' };
  if (status === 409 && data?.current?.body) return { save: 'conflict', current: data.current };
  if (status === 404) return { save: 'gone' };
  const said = typeof data === 'object' ? data.error : undefined;
  const first = said?.problems?.[0];
  const where = first?.field && !first.message.toLowerCase().startsWith(fieldWords(first.field)) ? `${fieldWords(first.field)}: ` : '';
  const reason = first ? where + first.message : (said?.message ?? WORDS[Number(status)] ?? STRANGE);
  return { save: 'refused', reason, problems: said?.problems };
}

/** Why something asked of the server did not come about, as the end of a sentence. */
export function refusalWords(error: unknown): string {
  const failure = failureOf(error);
  if (failure.save === 'offline') return 'the server does not answer. Start it again with npm start, and try again.';
  const { data } = (error ?? {}) as { readonly data?: Partial<ErrorAnswer> };
  return data?.error?.message ?? failure.reason ?? 'it is no longer there.';
}
