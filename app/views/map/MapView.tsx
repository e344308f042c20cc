import { memo, useCallback, useMemo, useState } from 'react';
import type { StudyBody } from '../../../contract';
import type { Place, Shape } from '../../../core';
import { say } from '../../shell/say';
import { upAndDown } from '../../sound/heard';
import { useHear } from '../../sound/useHear';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { LOOSE } from '../../store/editor';
import { gripOn, harmonySet, placePressed } from '../../store/harmony';
import { later } from '../../ui/later';
import { useAfterPaint } from '../../ui/useAfterPaint';
import { useKeyed } from '../../ui/useKeyed';
import { rungOf, selectNotes, selectRung, type Laid } from '../../store/study';
import { seamLine } from '../../words/shape-text';
import { StudyGate } from '../StudyGate';
import { useUnder } from '../useUnder';
import { toggleListening } from '../../sound/listen/ear-held';
import { useFreePlay } from './useFreePlay';
import { NeckSheet } from './NeckSheet';
import type { Shown } from './MapBelow';
import { MapTools } from './MapTools';
import { Sentence } from './Sentence';
import { SheetPart } from './SheetPart';
import { HearProblem } from '../HearTools';
import { Toolbar } from './Toolbar';
import { StudyFooter } from '../StudyFooter';
import { useMapCommands } from './useMapCommands';
import { WaysIn } from './WaysIn';
import { MAP } from '../../words/views/map';

/** The whole neck for one study: what is mapped, where, with which fingers. */
export function MapView() {
  return <StudyGate view="map">{(body, laid) => <OpenMap body={body} laid={laid} />}</StudyGate>;
}

/** Hearing the shape that is shown, up and down. */
function useShapeHeard(shape: Shape | null, tempo: number) {
  const hear = useHear();
  const line = useMemo(() => (shape ? upAndDown(shape.notes) : null), [shape]);
  const { on, start, stop } = hear;
  const toggle = useCallback(() => {
    if (on) stop();
    else if (line) start(line.notes, tempo);
  }, [on, start, stop, line, tempo]);
  return { hear, toggle, can: line !== null, sounding: line && hear.now >= 0 ? (line.index[hear.now] ?? -1) : -1 };
}

/** The seam that is looked at in place of the rung, -1 for none: of these shapes and this rung alone. */
function useSeam(laid: Laid, current: number): [number, (k: number) => void] {
  const [seam, setSeam] = useKeyed([laid.shapes, current], -1);
  const onSeam = useCallback(
    (k: number) => {
      setSeam(k);
      const seamNow = laid.seams[k];
      say(seamNow ? MAP.seamOfAnd(laid.shapes[k]!.label, seamLine(laid.shapes[k + 1]!, seamNow)) : MAP.seamClosed);
    },
    [laid, setSeam],
  );
  return [seam, onSeam];
}

/** What stands below the neck. It follows a moment after it, so that the neck answers at once, and loads once the neck stands. */
const Below = memo(later(async () => (await import('./MapBelow')).MapBelow, { spare: true }));
/** What is there at times. */
const FingerPart = later(async () => (await import('./at-times')).FingerPart);
const FreePlayLine = later(async () => (await import('./at-times')).FreePlayLine);
const GripLine = later(async () => (await import('./at-times')).GripLine);
const MapStand = later(async () => (await import('./at-times')).MapStand);
const Problem = later(async () => (await import('./at-times')).Problem);
const EarProblem = later(async () => (await import('./at-times')).EarProblem, { spare: true });

interface BarProps extends Pick<Shown, 'body' | 'laid' | 'current'> {
  readonly hearing: boolean;
  readonly canHear: boolean;
  readonly onHear: () => void;
}

/** What is done to the study as it is mapped. */
const MapBar = memo(function MapBar({ body, laid, current, hearing, canHear, onHear }: BarProps) {
  const { instrument, scale, over, chord, focus, layout, school, hand } = body;
  const shape = laid.shapes[current];
  const onUnder = useUnder();
  return (
    <Toolbar labels={body.labels} tempo={body.tempo} hearing={hearing} canHear={canHear} onHear={onHear}>
      <MapTools {...{ instrument, scale, over, chord, focus, layout, school, hand, onUnder }} />
      {shape && <SheetPart body={body} shape={shape} shapes={laid.shapes} />}
    </Toolbar>
  );
});
const Bar = memo(later(async () => (await import('./at-times')).InstrumentBar, { spare: true }));

function OpenMap({ body, laid }: { readonly body: StudyBody; readonly laid: Laid }) {
  const dispatch = useAppDispatch();
  const notes = useAppSelector(selectNotes);
  const current = useAppSelector(selectRung);
  const loose = useAppSelector((s) => s.editor.id === LOOSE);
  const shape = laid.shapes[current] ?? null;
  const heard = useShapeHeard(shape, body.tempo);
  const onRung = useCallback((k: number) => dispatch(change(({ shapes }) => ({ rung: rungOf(shapes[k]!) }))), [dispatch]);
  const [seam, onSeam] = useSeam(laid, current);
  const [finger, setFinger] = useState<{ place: Place; button: HTMLElement } | null>(null);
  const onFinger = useCallback((place: Place, button: HTMLElement) => setFinger({ place, button }), []);
  const held = useAppSelector((s) => s.harmony.grip);
  const grip = useMemo(() => gripOn(body.instrument, held), [body.instrument, held]);
  const onPress = useCallback((place: Place) => dispatch(placePressed(place)), [dispatch]);
  const onUnder = useUnder();
  const play = useFreePlay(body.instrument);
  const [standing, setStanding] = useState(false);
  const stand = useCallback(() => setStanding((s) => !s), []);
  useMapCommands({ hear: heard.toggle, stand, listen: toggleListening });
  const { hear, toggle: onHear, can: canHear, sounding } = heard;
  const later = useAfterPaint(
    useMemo(() => ({ body, laid, current, seam, onHear, canHear }), [body, laid, current, seam, onHear, canHear]),
  );
  return (
    <div className="view-column">
      {body.instrumentId !== null && <Bar body={later.body} />}
      {loose && <WaysIn />}
      <Sentence scale={body.scale} instrument={body.instrument} layout={body.layout} shapes={laid.shapes} current={current} />
      <MapBar body={later.body} laid={later.laid} current={later.current} hearing={hear.on} canHear={later.canHear} onHear={later.onHear} />
      {laid.error && <Problem error={laid.error} body={body} />}
      <HearProblem hear={hear} />
      {play.problem && <EarProblem />}
      <NeckSheet {...{ body, notes, laid, current, seam, onSeam, onFinger, sounding, onRung, grip, onPress, play }} />
      {play.on && <FreePlayLine body={body} shape={shape} play={play} />}
      {grip.length > 0 && <GripLine body={body} grip={grip} onUnder={onUnder} onClear={() => dispatch(harmonySet({ grip: [] }))} />}
      <Below body={later.body} laid={later.laid} current={later.current} seam={later.seam} />
      {shape && finger && <FingerPart body={body} shape={shape} at={finger} onClose={() => setFinger(null)} />}
      <StudyFooter hint={MAP.rungRootStringKeyBy} />
      {shape && standing && <MapStand body={body} laid={laid} current={current} notes={notes} onClose={stand} />}
    </div>
  );
}
