import { Timer } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { StudyBody } from '../../../contract';
import { arpeggioIn, chordScale, CoreError, layOut, parseChord, sweepsIn, type Shape } from '../../../core';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { edited } from '../../store/editor';
import { arpeggioAsShape } from '../../store/grips';
import { harmonySet } from '../../store/harmony';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Select } from '../../ui/Select';
import { Signs } from '../../letters/Signs';
import { HARMONY } from '../../words/views/harmony';
import { Check } from '../practise/Choices';
import { usePractise } from '../PractiseIt';
import { useGo } from '../useGo';
import { CHORD_TONES } from './useHarmonyCommands';

interface Props {
  readonly body: StudyBody;
  readonly shape: Shape | null;
  readonly symbol: string;
}

/** Other kinds of chord on the same root. */
const KINDS = ['sus2', 'sus4', '6', 'm6', 'add9'] as const;
const PER_STRING = ['own', '1', '2', '3'] as const;

function shapeFor(body: StudyBody, shape: Shape, symbol: string, perString: (typeof PER_STRING)[number]): Shape | null {
  try {
    if (perString === 'own') return arpeggioIn(body.instrument, symbol, shape, { hand: body.hand });
    const shapes = layOut(body.instrument, chordScale(symbol), { kind: 'per-string', notes: Number(perString) }, { hand: body.hand });
    return [...shapes].sort((a, b) => Math.abs(a.lowFret - shape.lowFret) - Math.abs(b.lowFret - shape.lowFret))[0] ?? null;
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** The chord's tones in this position as a shape of their own. */
export function ArpeggioCard({ body, shape, symbol }: Props) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const practise = usePractise();
  const alone = useAppSelector((s) => s.harmony.arpeggio);
  const [perString, setPerString] = useState<(typeof PER_STRING)[number]>('own');
  const made = useMemo(() => (shape ? shapeFor(body, shape, symbol, perString) : null), [body, shape, symbol, perString]);
  const { root } = parseChord(symbol);
  const asShape = (): void => {
    if (!made) return;
    dispatch(change(({ body: now }) => (perString === 'own' && shape ? arpeggioAsShape(now, symbol, shape) : { scale: chordScale(symbol), layout: { kind: 'per-string', notes: Number(perString) }, rung: { number: made.number, fret: made.handFret }, chord: null, over: null }))); // prettier-ignore
    go('map');
  };
  return (
    <Panel title={HARMONY.arpeggio}>
      <div className="flex flex-col gap-2 text-[0.84375rem]">
        <Check label={HARMONY.arpeggioAlone} checked={alone} onChange={(on) => dispatch(harmonySet({ arpeggio: on }))} />
        <div className="grid grid-cols-2 gap-2">
          <Select
            label={HARMONY.perString}
            value={perString}
            options={PER_STRING.map((value) => ({ value, label: value === 'own' ? HARMONY.perStringOwn : value }))}
            onChange={setPerString}
          />
          <Select
            label={HARMONY.kinds}
            value={KINDS.find((k) => symbol === root + k) ?? 'stack'}
            options={[{ value: 'stack', label: HARMONY.kindStack }, ...KINDS.map((value) => ({ value, label: value }))]}
            onChange={(kind) => dispatch(edited({ chord: kind === 'stack' ? null : root + kind }))}
          />
        </div>
        {made ? (
          <>
            <MadeCells made={made} />
            <Button onClick={asShape} title={HARMONY.asShapeHint}>
              {HARMONY.asShape}
            </Button>
          </>
        ) : (
          <p className="text-soft">{HARMONY.noArpeggio}</p>
        )}
        <Button look="link" icon={<Timer size={14} aria-hidden />} onClick={() => practise(CHORD_TONES)}>
          {HARMONY.drillIt}
        </Button>
      </div>
    </Panel>
  );
}

/** String by string its frets and fingers, and where it can be swept. */
function MadeCells({ made }: { readonly made: Shape }) {
  const sweeps = sweepsIn(made).map(({ from, to }) => `${made.notes[from]!.string}–${made.notes[to]!.string}`);
  return (
    <>
      <table className="num w-full text-left">
        <tbody>
          {made.cells.map((c) => (
            <tr key={c.string} className="border-b border-line last:border-0">
              <th scope="row" className="pr-2 font-normal text-soft">
                {c.string}
              </th>
              <td className="pr-2">{c.frets.join(' ')}</td>
              <td className="text-right font-semibold">{c.fingers.join('-')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-xs text-soft">
        <Signs>{`${HARMONY.arpeggioAbout(made.notes.length, Math.round(made.widthMm))}; ${HARMONY.sweeps(sweeps)}.`}</Signs>
      </p>
    </>
  );
}
