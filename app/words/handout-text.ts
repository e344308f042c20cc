import type { HandoutKind, HandoutPart, StudyBody, StudySummary } from '../../contract';
import { isolated } from './name-text';
import { HANDOUT } from './views/handout';

/** What a part of a handout is called where it is added, and in the list of parts. */
export const HANDOUT_WORDS: Readonly<Record<HandoutKind, string>> = Object.freeze({
  text: 'Text of your own',
  shape: 'One shape',
  rungs: 'All rungs',
  arpeggio: 'An arpeggio',
  route: 'A kept route',
  lick: 'A lick',
  drill: 'A drill and its ladder',
  grips: 'The kept grips',
  plan: 'The plan of a week',
});

export const DAYS = Object.freeze<string[]>(['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']);

type Known = Pick<StudySummary, 'id' | 'name' | 'licks'>;

/** A part as the list names it: what, which, and of which study where that is not the open one. Studies: undefined until they are read; nothing is called gone before. */
export function partWords(part: HandoutPart, body: StudyBody, open: string | null, studies: readonly Known[] | undefined): string {
  const what = HANDOUT_WORDS[part.kind];
  if (part.kind === 'text') return what;
  const own = part.study === null || part.study === open;
  const other = own ? undefined : studies?.find((s) => s.id === part.study);
  const named = (all: readonly { readonly id: string; readonly name: string }[] | undefined): string => {
    const found = 'of' in part ? all?.find((x) => x.id === part.of) : undefined;
    return found ? `${what}: ${isolated(found.name)}` : `${what}: ${HANDOUT.gone}`;
  };
  const which = (): string => {
    switch (part.kind) {
      case 'lick':
        return named(own ? body.licks : other?.licks);
      case 'route':
        return own ? named(body.routes) : what;
      case 'drill':
        return own ? named(body.drills) : what;
      case 'arpeggio':
        return `${what}: ${part.chord}`;
      case 'shape':
        return `${what}: ${part.rung.number}, near fret ${part.rung.fret}`;
      default:
        return what;
    }
  };
  if (!own && !studies) return what;
  return own ? which() : HANDOUT.of(which(), other ? isolated(other.name) : HANDOUT.gone);
}
