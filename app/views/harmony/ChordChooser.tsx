import { chordNotes, type ModeChord } from '../../../core';
import { Chooser, type Choice } from '../../ui/Chooser';
import { Signs } from '../../letters/Signs';
import { chordProblem } from '../../words/harmony-text';
import { MAP } from '../../words/views/map';

interface Props {
  readonly chords: readonly ModeChord[];
  readonly symbol: string | null;
  readonly onChord: (symbol: string) => void;
}

const choiceOf = (c: ModeChord): Choice<string> => ({ key: `${c.degree} ${c.symbol}`, value: c.symbol, title: c.symbol, detail: `${c.roman}: ${c.notes.join(' ')}` }); // prettier-ignore

/** What was typed as a chord, or what may have been meant by it. */
function typed(text: string, known: readonly Choice<string>[]): Choice<string>[] {
  const symbol = text.trim().charAt(0).toUpperCase() + text.trim().slice(1);
  const offer = (s: string): Choice<string> => ({ key: `typed ${s}`, value: s, title: s, detail: chordNotes(s).join(' ') });
  const problem = chordProblem(symbol);
  if (problem) return problem.nearest.map(offer);
  return known.some((c) => c.value === symbol) ? [] : [offer(symbol)];
}

/** What of a symbol cannot be read, marked in its place; null where it can. */
function pointedAt(text: string): string | null {
  if (!text.trim()) return null;
  const p = chordProblem(text.trim().charAt(0).toUpperCase() + text.trim().slice(1));
  return p && `${p.before}⟨${p.wrong}⟩${p.after}: ${p.says}.`;
}

/** A chord of the mode, or any that is typed; one that cannot be read is pointed at, with what may have been meant. */
export function ChordChooser({ chords, symbol, onChord }: Props) {
  const find = (text: string): Choice<string>[] => {
    const wanted = text.trim().toLowerCase();
    const known = chords.map(choiceOf).filter((c) => c.title.toLowerCase().startsWith(wanted));
    if (!wanted) return known;
    const exact = known.filter((c) => c.title.toLowerCase() === wanted);
    return [...exact, ...typed(text, known), ...known.filter((c) => !exact.includes(c))];
  };
  return (
    <Chooser<string>
      label={MAP.markTheTonesOfA}
      placeholder="F#m7"
      find={find}
      onChoose={onChord}
      {...(symbol ? { current: symbol } : {})}
      empty={(text) => pointedAt(text) ?? MAP.thatChordCannotBeRead}
      note={(text) => (chords.some((c) => c.symbol.toLowerCase().startsWith(text.trim().toLowerCase())) ? null : pointedAt(text))}
      render={(text) => <Signs>{text}</Signs>}
    />
  );
}
