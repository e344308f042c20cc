import { accidentals, chromaOf, isScale, scaleNotes, type NoteName, type ScaleRef } from '../../../core';
import type { KeptProgression } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { inKey, withProgression } from '../../store/progressions';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { tonicsFor } from '../../words/scale-text';
import { PROGRESSION } from '../../words/views/progression';

const signs = (ref: ScaleRef): number => scaleNotes(ref).reduce((sum, n) => sum + accidentals(n.name), 0);

/** Twelve tonics, each written the easier way; where both ways take as many signs, in flats if home is written in flats. */
function keysLike(home: ScaleRef): NoteName[] {
  const scale = isScale(home.scale) ? home.scale : 'ionian';
  const flat = scaleNotes({ ...home, scale }).some((n) => n.name.includes('b'));
  return tonicsFor(scale).map((tonic) => {
    const other = FLATS[tonic];
    return flat && other && signs({ tonic: other, scale }) <= signs({ tonic, scale }) ? other : tonic;
  });
}
const FLATS: Readonly<Record<string, NoteName>> = { 'C#': 'Db', 'D#': 'Eb', 'F#': 'Gb', 'G#': 'Ab', 'A#': 'Bb' };

/** The whole progression in another key with one press: chords, home and settled scales. */
export function KeyPart({ p }: { readonly p: KeptProgression }) {
  const dispatch = useAppDispatch();
  const { tonic } = p.home;
  return (
    <SentencePart
      name={PROGRESSION.part.key}
      look="chip"
      shortcut="k"
      text={
        <>
          <span className="text-soft">{PROGRESSION.keyOf}:</span>{' '}
          <b className="font-semibold">
            <Signs>{tonic}</Signs>
          </b>
        </>
      }
    >
      {(close) => (
        <>
          <p className="text-soft">{PROGRESSION.keyAbout}</p>
          <div role="group" aria-label={PROGRESSION.keyOf} className="grid grid-cols-6 gap-1">
            {keysLike(p.home).map((to) => (
              <button
                key={to}
                type="button"
                aria-pressed={chromaOf(to) === chromaOf(tonic)}
                onClick={() => {
                  dispatch(change((n) => withProgression(n.body, (now) => inKey(now, { ...now.home, tonic: to }))));
                  close();
                }}
                className="min-h-9 rounded border border-line hover:border-soft aria-pressed:border-brass-deep aria-pressed:bg-brass aria-pressed:font-semibold aria-pressed:text-brass-ink"
              >
                <Signs>{to}</Signs>
              </button>
            ))}
          </div>
        </>
      )}
    </SentencePart>
  );
}
