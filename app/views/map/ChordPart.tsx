import { CoreError, chordNotes, isScale, scaleNotes, stackThirds, type ScaleRef } from '../../../core';
import { Button } from '../../ui/Button';
import { Chooser, type Choice } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../ui/Signs';
import { MAP } from '../../words/views/map';

/** Sevenths and triads of the scale itself, where it has seven notes. */
function chordsOf(scale: ScaleRef): Choice<string>[] {
  if (!isScale(scale.scale) || scaleNotes(scale).length !== 7) return [];
  return [...stackThirds(scale, 4), ...stackThirds(scale, 3)]
    .filter((c) => !c.symbol.includes('/'))
    .map((c) => ({ key: c.symbol, value: c.symbol, title: c.symbol, detail: `${c.roman}: ${c.notes.join(' ')}` }));
}

/** A typed symbol, if it can be read and is not in the list already. */
function typed(text: string, known: Choice<string>[]): Choice<string>[] {
  const symbol = text.trim().charAt(0).toUpperCase() + text.trim().slice(1);
  try {
    const notes = chordNotes(symbol);
    return known.some((c) => c.key === symbol) ? [] : [{ key: symbol, value: symbol, title: symbol, detail: notes.join(' ') }];
  } catch (e) {
    if (e instanceof CoreError) return [];
    throw e;
  }
}

/** A chord whose tones stand out in the shape. */
export function ChordPart({ scale, chord, onChord }: { scale: ScaleRef; chord: string | null; onChord: (chord: string | null) => void }) {
  const find = (text: string): Choice<string>[] => {
    const wanted = text.trim().toLowerCase();
    const known = chordsOf(scale).filter((c) => c.title.toLowerCase().startsWith(wanted));
    const exact = known.filter((c) => c.title.toLowerCase() === wanted);
    return [...exact, ...typed(text, known), ...known.filter((c) => !exact.includes(c))];
  };
  return (
    <SentencePart
      name="chord"
      look="chip"
      fixed="w-28"
      shortcut="c"
      text={
        <>
          <span className="text-soft">{MAP.chord}</span>
          <b className="font-semibold">
            <Signs>{chord ?? MAP.none}</Signs>
          </b>
        </>
      }
    >
      {(close) => (
        <>
          {chord && (
            <Button
              look="link"
              onClick={() => {
                onChord(null);
                close();
              }}
            >
              {MAP.noChord}
            </Button>
          )}
          <Chooser<string>
            label={MAP.markTheTonesOfA}
            placeholder="F#m7"
            find={find}
            onChoose={(value) => { onChord(value); close(); }} // prettier-ignore
            current={chord ?? undefined}
            empty={MAP.thatChordCannotBeRead}
            render={(text) => <Signs>{text}</Signs>}
          />
        </>
      )}
    </SentencePart>
  );
}
