import { useCallback, useMemo, useState } from 'react';
import type { StudyBody } from '../../../contract';
import type { Place } from '../../../core';
import { say } from '../../shell/say';
import { upAndDown } from '../../sound/heard';
import { useHear } from '../../sound/useHear';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { LOOSE } from '../../store/editor';
import { gripOn, harmonySet, placePressed } from '../../store/harmony';
import { useKeyed } from '../../ui/useKeyed';
import { rungOf, selectNotes, selectRung, type Laid } from '../../store/study';
import { seamLine } from '../../words/shape-text';
import { StudyGate } from '../StudyGate';
import { useUnder } from '../useUnder';
import { toggleListening } from '../../sound/listen/ear';
import { EarProblem } from '../listen/EarStatus';
import { FingerPart } from './FingerPart';
import { FreePlayLine } from './FreePlayLine';
import { useFreePlay } from './useFreePlay';
import { GripLine } from '../GripLine';
import { NeckSheet } from './NeckSheet';
import { InstrumentBar } from '../InstrumentBar';
import { MapPanels, WhyLine } from './MapPanels';
import { MapStand } from './MapStand';
import { MapTools } from './MapTools';
import { Problem } from '../Problem';
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

function OpenMap({ body, laid }: { readonly body: StudyBody; readonly laid: Laid }) {
  const dispatch = useAppDispatch();
  const notes = useAppSelector(selectNotes);
  const current = useAppSelector(selectRung);
  const loose = useAppSelector((s) => s.editor.id === LOOSE);
  const hear = useHear();
  const shape = laid.shapes[current] ?? null;
  const line = useMemo(() => (shape ? upAndDown(shape.notes) : null), [shape]);
  const { on, start, stop } = hear;
  const toggleHear = useCallback(() => {
    if (on) stop();
    else if (line) start(line.notes, body.tempo);
  }, [on, start, stop, line, body.tempo]);
  const onRung = useCallback((k: number) => dispatch(change(({ shapes }) => ({ rung: rungOf(shapes[k]) }))), [dispatch]);
  const [seam, setSeam] = useKeyed([laid.shapes, current], -1);
  const onSeam = useCallback(
    (k: number) => {
      setSeam(k);
      const seamNow = laid.seams[k] as (typeof laid.seams)[number] | undefined;
      say(seamNow ? MAP.seamOfAnd(laid.shapes[k].label, seamLine(laid.shapes[k + 1], seamNow)) : MAP.seamClosed);
    },
    [laid, setSeam],
  );
  const [finger, setFinger] = useState<{ readonly place: Place; readonly button: HTMLElement } | null>(null);
  const onFinger = useCallback((place: Place, button: HTMLElement) => setFinger({ place, button }), []);
  const held = useAppSelector((s) => s.harmony.grip);
  const grip = useMemo(() => gripOn(body.instrument, held), [body.instrument, held]);
  const onPress = useCallback((place: Place) => dispatch(placePressed(place)), [dispatch]);
  const onUnder = useUnder();
  const play = useFreePlay(body.instrument);
  const [standing, setStanding] = useState(false);
  const stand = useCallback(() => setStanding((s) => !s), []);
  useMapCommands({ hear: toggleHear, stand, listen: toggleListening });
  return (
    <div className="view-column">
      <InstrumentBar body={body} />
      {loose && <WaysIn />}
      <Sentence scale={body.scale} instrument={body.instrument} layout={body.layout} shapes={laid.shapes} current={current} />
      <Toolbar labels={body.labels} tempo={body.tempo} hearing={hear.on} canHear={line !== null} onHear={toggleHear}>
        <MapTools
          instrument={body.instrument}
          scale={body.scale}
          over={body.over}
          chord={body.chord}
          focus={body.focus}
          layout={body.layout}
          school={body.school}
          hand={body.hand}
          onUnder={onUnder}
        />
        {shape && <SheetPart body={body} shape={shape} shapes={laid.shapes} />}
      </Toolbar>
      {laid.error && <Problem error={laid.error} body={body} />}
      <HearProblem hear={hear} />
      <EarProblem />
      <NeckSheet
        body={body}
        notes={notes}
        laid={laid}
        current={current}
        seam={seam}
        onSeam={onSeam}
        onFinger={onFinger}
        sounding={line && hear.now >= 0 ? line.index[hear.now] : -1}
        onRung={onRung}
        grip={grip}
        onPress={onPress}
        play={play}
      />
      <FreePlayLine body={body} shape={shape} play={play} />
      {grip.length > 0 && <GripLine body={body} grip={grip} onUnder={onUnder} onClear={() => dispatch(harmonySet({ grip: [] }))} />}
      {shape && <WhyLine body={body} shape={shape} shapes={laid.shapes} />}
      {shape && finger && <FingerPart body={body} shape={shape} at={finger} onClose={() => setFinger(null)} />}
      <MapPanels body={body} laid={laid} current={current} seam={seam} />
      <StudyFooter hint={MAP.rungRootStringKeyBy} />
      {shape && <MapStand body={body} laid={laid} current={current} notes={notes} open={standing} onClose={stand} />}
    </div>
  );
}
