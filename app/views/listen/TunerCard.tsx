import { scaleLinear } from 'd3-scale';
import { useRef } from 'react';
import { glyphs, TUNE, type Instrument } from '../../../core';
import { useWidth } from '../../neck/useWidth';
import { useEar } from '../../sound/listen/ear-state';
import type { SourceName } from '../../sound/listen/listen-prefs';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { LISTEN } from '../../words/views/listen';
import { useTuner, type Tuner } from './useTuner';

/** The open strings one under the other, each on its scale of cents. */
export function TunerCard({
  instrument,
  source,
  onStart,
}: {
  readonly instrument: Instrument;
  readonly source: SourceName;
  readonly onStart: () => Promise<void>;
}) {
  const tuner = useTuner(instrument);
  const { state } = useEar();
  if (source === 'midi') return <Panel title={LISTEN.tuner}><p className="text-soft">{LISTEN.midiIsTuned}</p></Panel>; // prettier-ignore
  const note = glyphs(instrument.strings[tuner.at - 1]!.open);
  const done = !tuner.on && tuner.tuned.size === instrument.strings.length;
  const begin = (): void => {
    if (tuner.on) return tuner.stop();
    if (state === 'off') void onStart();
    tuner.start();
  };
  return (
    <Panel title={LISTEN.tuner}>
      <p className="mb-2 text-soft">{LISTEN.tunerAbout}</p>
      <div className="mb-2 flex flex-wrap items-center gap-3">
        <Button look="link" onClick={begin}>
          {tuner.on ? LISTEN.tuned : LISTEN.tune}
        </Button>
        <p role="status" className="text-[1rem]" data-tuner={tuner.on ? tuner.at : ''}>
          {tuner.on && <Signs>{glyphs(LISTEN.pick(tuner.at, note))}</Signs>}
          {done && LISTEN.allTuned}
          {!tuner.on && !done && state === 'off' && <span className="text-soft">{LISTEN.needsListening}</span>}
        </p>
        <Told tuner={tuner} />
      </div>
      <ol className="flex flex-col" aria-label={LISTEN.tuner}>
        {tuner.order.map((string) => (
          <Row key={string} string={string} note={glyphs(instrument.strings[string - 1]!.open)} tuner={tuner} />
        ))}
      </ol>
      <p className="mt-2 text-xs text-clay">{LISTEN.tension}</p>
    </Panel>
  );
}

function Told({ tuner: { on, cents, nearer } }: { readonly tuner: Tuner }) {
  if (!on) return null;
  if (nearer !== null) return <p className="text-clay">{LISTEN.nearer(nearer)}</p>;
  if (cents === null) return null;
  if (cents > TUNE.over)
    return (
      <p role="alert" className="font-semibold text-clay">
        {LISTEN.over(Math.round(cents))}
      </p>
    );
  return <p className="num text-[1rem] font-semibold">{LISTEN.cents(cents)}</p>;
}

const HEIGHT = 34;
/** Cents that have room to either side. */
const SHOWN = 60;

function Row({ string, note, tuner }: { readonly string: number; readonly note: string; readonly tuner: Tuner }) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder);
  const here = tuner.on && tuner.at === string;
  const cents = tuner.read.get(string);
  const fine = tuner.tuned.has(string);
  const x = scaleLinear([-SHOWN, SHOWN], [10, width - 10]).clamp(true);
  return (
    <li className={`flex items-center gap-1 rounded sm:gap-3 ${here ? 'bg-feather-wash' : ''}`}>
      <button
        type="button"
        className={`min-h-9 w-[5.75rem] shrink-0 sm:w-32 cursor-pointer px-2 text-left ${here ? 'font-semibold' : 'text-soft'}`}
        aria-current={here ? 'step' : undefined}
        disabled={!tuner.on}
        onClick={() => tuner.go(string)}
      >
        <Signs>{LISTEN.stringIs(string, note)}</Signs>
      </button>
      <div ref={holder} className="min-w-0 grow">
        {width > 0 && (
          <svg
            width={width}
            height={HEIGHT}
            role="img"
            aria-label={cents === undefined ? LISTEN.stringIs(string, note) : LISTEN.cents(cents)}
            className="block font-text"
          >
            <line x1={10} x2={width - 10} y1={17} y2={17} stroke="var(--soft)" strokeWidth={1 + string * 0.35} />
            {[-50, -25, 25, 50].map((c) => (
              <line key={c} x1={x(c)} x2={x(c)} y1={12} y2={22} stroke="var(--soft)" />
            ))}
            <rect
              x={x(-TUNE.fine)}
              width={x(TUNE.fine) - x(-TUNE.fine)}
              y={4}
              height={26}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={1.5}
              rx={3}
            />
            {cents !== undefined && (
              <path
                d={`M${x(cents)} 15l-7 -11h14z`}
                fill={fine ? 'var(--feather)' : 'var(--color-brass)'}
                stroke="var(--ink)"
                data-cents={Math.round(cents)}
              />
            )}
          </svg>
        )}
      </div>
      <span className="num w-[5.5rem] shrink-0 pr-1 sm:w-32 sm:pr-2 text-right text-soft">
        {fine ? '✓ ' : ''}
        {cents === undefined ? '' : LISTEN.cents(cents)}
      </span>
    </li>
  );
}
