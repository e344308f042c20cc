import { countWord, glyphs, type Question, type QuizKind } from '../../core';
import { counted } from './count-text';
import { placeWords } from './route-text';

/** What each kind of question is called in a list. */
export const QUIZ_WORDS: Readonly<Record<QuizKind, string>> = Object.freeze({
  find: 'every place of a note',
  name: 'name a place',
  degree: 'degree of a place',
  roots: 'roots on a string',
  octave: 'octave of a place',
  unison: 'same pitch elsewhere',
  put: 'put a shape down',
  shape: 'which shape it is',
  jog: 'which strings shift',
  under: 'shape under a grip',
  fingers: 'fingers of a cell',
  'next-cell': 'next cell of the cycle',
  above: 'what connects above',
  shared: 'places two shapes share',
  change: 'from mode to mode',
  mode: 'mode by sight',
  ear: 'mode by ear',
  spell: 'spell a scale',
  relative: 'relative major',
  play: 'play it',
});

/** Kinds that belong together, as the chooser lists them. */
export const QUIZ_GROUPS: readonly { readonly title: string; readonly kinds: readonly QuizKind[] }[] = [
  { title: 'The neck', kinds: ['find', 'name', 'degree', 'roots', 'octave', 'unison'] },
  { title: 'Shapes', kinds: ['put', 'shape', 'jog', 'under', 'fingers', 'next-cell', 'above', 'shared'] },
  { title: 'Scales', kinds: ['change', 'mode', 'ear', 'spell', 'relative'] },
  { title: 'With the instrument', kinds: ['play'] },
];

const at = (q: Question): string => placeWords({ string: Number(q.about.string), fret: Number(q.about.fret) });

/** A question as it is asked. */
export function questionWords(q: Question<QuizKind>): string {
  const a = q.about;
  const words: Record<QuizKind, () => string> = {
    find: () => `Mark every ${a.note}: ${counted(Number(a.count), 'place')}.`,
    name: () => `Which note is ${at(q)}?`,
    degree: () => `Which degree of ${a.tonic} is ${at(q)}?`,
    roots: () =>
      `Mark ${Number(a.count) === 1 ? 'the root' : 'the roots'} of ${a.tonic} on string ${a.string}: ${counted(Number(a.count), 'place')}.`,
    octave: () => `Mark an octave above ${at(q)}.`,
    unison: () => `Mark the pitch of ${at(q)} on the other strings: ${counted(Number(a.count), 'place')}.`,
    put: () => `Put ${a.label} down on strings ${a.strings}: ${counted(Number(a.count), 'note')} more.`,
    shape: () => 'Which shape is this?',
    jog: () => `The root is on string ${a.string}. Which strings shift against fourths all through?`,
    under: () => 'Under which shape does this grip lie?',
    fingers: () => `Which fingers take string ${a.string} of ${a.label}?`,
    'next-cell': () => `What does string ${a.string} carry in ${a.label}? ${capitalCount(Number(a.count))}.`,
    above: () => `Which shape connects above ${a.label}?`,
    shared: () => `Which places do ${a.below} and ${a.above} share? ${capitalCount(Number(a.count))}.`,
    change: () => `What turns ${a.from} into ${a.to}?`,
    mode: () => `Which scale on ${a.tonic} is this?`,
    ear: () => `Which scale on ${a.tonic} do you hear?`,
    spell: () => `Spell ${a.tonic} ${a.title}.`,
    relative: () => `Which is the relative major of ${a.tonic} minor?`,
    play: () => `Play ${a.label} from this root, up and back: ${counted(Number(a.count), 'note')}.`,
  };
  return glyphs(words[q.kind]());
}
const capitalCount = (n: number): string => {
  const word = countWord(n);
  return `${word[0]!.toUpperCase()}${word.slice(1)} ${n === 1 ? 'place' : 'places'}`;
};

/** The right answer in a sentence; places are shown on the neck. */
export function rightWords({ answer }: Question): string {
  switch (answer.by) {
    case 'choice':
      return glyphs(`It is ${answer.right.map((k) => answer.options[k]!.text).join(', or ')}.`);
    case 'places':
      return answer.need === 'any' ? `Any of ${counted(answer.places.length, 'place')}, ringed, will do.` : 'What was missed is ringed.';
    case 'names':
      return glyphs(`It is ${answer.names.join(' ')}.`);
    case 'line':
      return 'It is the notes that are shown, up and back.';
  }
}

export const secondsWords = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;
