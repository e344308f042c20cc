import type { ReactNode } from 'react';
import type { Connection } from '../../../contract';
import { CoreError, midiOf, placeKey, placesOf, samePlace, spellerIn, whyStep, type FingeredStep, type FingeringSchool, type Hand, type Instrument, type Place, type ScaleRef } from '../../../core'; // prettier-ignore
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { COST_WORDS, FINGER_WORDS, MOVE_WORDS, placeWords } from '../../words/route-text';
import { CONNECT } from '../../words/views/connect';

interface Props {
  readonly scale: ScaleRef;
  readonly instrument: Instrument;
  readonly steps: FingeredStep[];
  readonly index: number;
  readonly asked: Connection;
  readonly school: FingeringSchool;
  readonly hand: Hand;
  readonly onHold: (place: Place | null) => void;
  readonly onFinger: (finger: number | null) => void;
}

type Why = ReturnType<typeof whyStep>;

function whyOf({ instrument, steps, index, asked, school, hand }: Props): Why | null {
  try {
    return whyStep(instrument, steps, index, { school, hand, weights: asked.weights });
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** One note of the line: why it is played so, its other places, its other fingers. */
export function NotePanel(props: Props) {
  const { instrument, scale, steps, index, asked } = props;
  const s = steps[index]!;
  const midi = midiOf(instrument.strings[s.string - 1]!.open) + s.fret;
  const held = asked.held.some((h) => h.index === index);
  const pinned = asked.fingers.find((f) => f.index === index)?.finger ?? null;
  const why = whyOf(props);
  return (
    <Panel title={CONNECT.note(index + 1, spellerIn(scale)(midi), placeWords(s))}>
      <p>
        {s.finger ? CONNECT.finger(FINGER_WORDS[s.finger]!) : CONNECT.openString}: {MOVE_WORDS[s.move]}.
      </p>
      {why && <Effort why={why} />}
      <div className="mt-2 grid grid-cols-[auto_1fr] items-center gap-x-3 gap-y-2">
        <span className="text-soft">{CONNECT.place}</span>
        <Choices label={CONNECT.placeOfThisNote}>
          {placesOf(instrument, midi).map((p) => {
            const here = samePlace(p, s);
            return (
              <button
                key={p.string}
                type="button"
                className="chip num"
                aria-pressed={here && held}
                aria-current={here || undefined}
                aria-label={`${placeWords(p)}${here ? ', played here now' : ''}`}
                onClick={() => props.onHold(here && held ? null : { string: p.string, fret: p.fret })}
              >
                <span className={here ? 'font-semibold underline' : ''}>{placeKey(p)}</span>
              </button>
            );
          })}
        </Choices>
        {why && why.others.length > 0 && <Fingers why={why} now={s.finger} pinned={pinned} onFinger={props.onFinger} />}
      </div>
      <p className="mt-2 text-xs text-soft">
        <Signs>{held || pinned !== null ? CONNECT.settledHereTheRestOf : CONNECT.pressAPlaceOrA}</Signs>
      </p>
    </Panel>
  );
}

interface FingerProps {
  readonly why: Why;
  readonly now: number;
  readonly pinned: number | null;
  readonly onFinger: (finger: number | null) => void;
}

/** Its fingers, with what each other one would cost more. */
function Fingers({ why, now, pinned, onFinger }: FingerProps) {
  return (
    <>
      <span className="text-soft">{CONNECT.finger2}</span>
      <Choices label={CONNECT.fingerOfThisNote}>
        {[{ finger: now, moreMm: 0 }, ...why.others]
          .sort((a, b) => a.finger - b.finger)
          .map((o) => (
            <button
              key={o.finger}
              type="button"
              className="chip num"
              aria-pressed={pinned === o.finger}
              disabled={!Number.isFinite(o.moreMm)}
              aria-label={`${FINGER_WORDS[o.finger]}${o.finger === now ? ', as it is' : `, ${Math.round(o.moreMm)} mm more effort`}`}
              onClick={() => onFinger(pinned === o.finger ? null : o.finger)}
            >
              <b className={o.finger === now ? 'underline' : 'font-normal'}>{o.finger}</b>
              {o.finger !== now && <span className="ml-1 text-xs">{`+${Math.round(o.moreMm)}`}</span>}
            </button>
          ))}
      </Choices>
    </>
  );
}

const Choices = ({ label, children }: { readonly label: string; readonly children: ReactNode }) => (
  <span role="group" aria-label={label} className="flex flex-wrap gap-1">
    {children}
  </span>
);

function Effort({ why }: { readonly why: Why }) {
  const parts = why.parts.filter((p) => Math.abs(p.mm) >= 0.05);
  if (!parts.length) return <p className="text-soft">{CONNECT.itCostsTheHandNothing}</p>;
  return (
    <ul aria-label={CONNECT.effortOfThisNote} className="num mt-1 text-soft">
      {parts.map((p, k) => (
        <li key={k}>{CONNECT.for(p.mm.toFixed(1), COST_WORDS[p.word])}</li>
      ))}
    </ul>
  );
}
