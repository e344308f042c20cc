import { useEffect, useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { chordSounds, glyphs, neckNotes, samePlace, spellerIn, midiOn, openMidis, targetsFrom, type FingeredStep } from '../../../core';
import { Arrows } from '../../neck/Arrows';
import { Legend } from '../../neck/Legend';
import { degreeText, marksOf, noteText, type NeckMark } from '../../neck/marks';
import { Neck } from '../../neck/Neck';
import { NeckScroll } from '../../neck/NeckScroll';
import { fretX, stringY } from '../../neck/geometry';
import { Presses } from '../../neck/Presses';
import { keepInSight, useNeckGeometry } from '../../neck/useNeckGeometry';
import { useAppDispatch, useAppSelector } from '../../store';
import { overSet } from '../../store/over';
import { usePrefs } from '../../store/prefs';
import { Signs } from '../../ui/Signs';
import { scaleOf } from '../../words/harmony-text';
import { PROGRESSION } from '../../words/views/progression';
import { comingOf } from '../../words/coming-text';
import type { Ear } from '../../store/ear';
import type { Ways } from './useWays';

interface Props {
  readonly body: StudyBody;
  readonly ways: Ways;
  /** Where the ear is; null while nothing plays. */
  readonly ear: Ear | null;
  readonly guide: readonly FingeredStep[];
}

const GAPS = { wide: 30, close: 27 };

/** The chord and its scale where the hand is; what is coming as arrows, a beat ahead while the backing plays. */
export function ProgressionNeck({ body, ways, ear, guide }: Props) {
  const { instrument, labels } = body;
  const dispatch = useAppDispatch();
  const target = useAppSelector((s) => s.over.target);
  const naming = usePrefs();
  const neck = useNeckGeometry(instrument, GAPS);
  const { holder, width, g } = neck;
  const { chord, step, next, at } = ways;
  const coming = useMemo(
    () => (step && next ? comingOf(instrument, step, next.step, { up: PROGRESSION.up, down: PROGRESSION.down }) : null),
    [instrument, step, next],
  );
  const shown = coming && (!ear || ear.left <= 1) ? coming : null;
  const notes = useMemo(() => (step ? neckNotes(instrument, step.ref) : []), [instrument, step]);
  const marks = useMemo((): NeckMark[] => {
    if (!step || !chord) return [];
    const base = marksOf(notes, step.shape, { labels, naming, on: instrument, chord: new Set(chordSounds(chord.symbol)) });
    const fresh = (shown?.fresh ?? []).map((f): NeckMark => ({
      string: f.string,
      fret: f.fret,
      look: 'new',
      text:
        labels === 'notes'
          ? noteText(f.name, naming)
          : labels === 'degrees'
            ? degreeText(f.degree, naming)
            : labels === 'frets'
              ? String(f.fret)
              : '',
    }));
    return [...base, ...fresh];
  }, [step, chord, notes, labels, naming, instrument, shown]);
  const targets = useMemo(
    () => (target && step && next ? targetsFrom(instrument, step.shape, target, next.chord.symbol) : null),
    [target, step, next, instrument],
  );
  const band = useMemo(() => step && { from: step.shape.lowFret, to: step.shape.highFret }, [step]);
  useEffect(() => keepInSight(holder.current, width, g, band ?? null), [holder, width, g, band]);
  if (!step || !chord) return null;
  const nameAt = (p: { readonly string: number; readonly fret: number }, ref = step.ref): string =>
    spellerIn(ref)(midiOn([0, ...openMidis(instrument)], p)).replace(/-?\d+$/, '');
  const arrows = target && targets ? targets.filter((t) => t.by !== 0).map((t) => ({ from: target, to: t.place })) : (shown?.moves ?? []);
  const sentence = saidOf();
  const guided = guide[at] as FingeredStep | undefined;
  const guideNext = guide[(at + 1) % Math.max(1, guide.length)] as FingeredStep | undefined;

  function saidOf(): string {
    if (!next || !step) return '';
    if (target && targets) {
      const list = targets
        .map((t) => `${nameAt(t.place, next.step.ref)} (${t.degree}${t.by ? `, ${t.by > 0 ? '+' : '−'}${Math.abs(t.by)}` : ''})`)
        .join('; ');
      return list ? PROGRESSION.targets(nameAt(target), next.chord.symbol, list) : PROGRESSION.noTargets(nameAt(target), next.chord.symbol);
    }
    return coming?.words.length ? PROGRESSION.arrows(next.chord.symbol, coming.words.join('; ')) : PROGRESSION.stays(next.chord.symbol);
  }

  const title = PROGRESSION.neckTitle(chord.symbol, scaleOf(step.ref), step.shape.label);
  return (
    <div className="rounded-[10px] border border-line bg-sheet p-3">
      <div className="mb-1 flex flex-wrap items-baseline justify-between gap-x-4">
        <p className="font-display text-[1.25rem] leading-7 font-semibold" aria-live={ear ? 'off' : 'polite'}>
          <Signs>{chord.symbol}</Signs>{' '}
          <span className="text-[1rem] font-medium text-soft">
            <Signs>{`${scaleOf(step.ref)} · ${step.shape.label}`}</Signs>
          </span>
        </p>
        {next && (
          <p className={`font-display text-[1.0625rem] ${ear && ear.left <= 1 ? 'font-semibold text-brass-deep' : 'text-soft'}`}>
            {ear?.counting ? `${PROGRESSION.counting(ear.counting)} · ` : ''}
            {PROGRESSION.then} <Signs>{`${next.chord.symbol} · ${scaleOf(next.step.ref)}`}</Signs>
            {ear && ear.at >= 0 ? ` ${PROGRESSION.inBeats(ear.left)}` : ''}
          </p>
        )}
      </div>
      <NeckScroll neck={neck} instrument={instrument} label={PROGRESSION.neck}>
        <Neck g={g} instrument={instrument} marks={marks} {...(band ? { band } : {})} title={glyphs(title)}>
          <Arrows g={g} arrows={arrows} />
          {guideNext && guided && !samePlace(guided, guideNext) && (
            <line
              x1={fretX(g, guided.fret)}
              y1={stringY(g, guided.string)}
              x2={fretX(g, guideNext.fret)}
              y2={stringY(g, guideNext.string)}
              stroke="#8fc9d0"
              strokeWidth={2}
              strokeDasharray="3 4"
            />
          )}
          {[target, guided].map((p, k) =>
            p ? (
              <circle
                key={k}
                data-ring={k ? 'guide' : 'target'}
                cx={fretX(g, p.fret)}
                cy={stringY(g, p.string)}
                r={19 * g.scale}
                fill="none"
                stroke={k ? '#8fc9d0' : '#f2b84b'}
                strokeWidth={2.5}
                strokeDasharray={k ? '5 3' : undefined}
              />
            ) : null,
          )}
          <Presses g={g} onPress={(place) => dispatch(overSet({ target: target && samePlace(target, place) ? null : place }))} />
        </Neck>
      </NeckScroll>
      <div className="mt-1 flex flex-wrap justify-between gap-x-4 text-xs text-soft">
        <p>
          <Signs>{PROGRESSION.legend(chord.symbol, scaleOf(step.ref))}</Signs>{' '}
          <span className="text-brass-deep">
            <Signs>{sentence}</Signs>
          </span>
          {guided && guideNext && (
            <>
              {' '}
              <Signs>{PROGRESSION.guideNow(nameAt(guided), nameAt(guideNext, next?.step.ref))}</Signs>
            </>
          )}
        </p>
        <p className="num">{PROGRESSION.handAt(step.shape.handFret, Math.round(step.moveMm))}</p>
      </div>
      <Legend marks={marks} />
    </div>
  );
}
