import { useMemo, useRef } from 'react';
import type { StudyBody } from '../../../contract';
import { glyphs, nutFret, ruleOf, type NeckNote, type Shape } from '../../../core';
import { fretX, neckGeometry, shareOf, stringY, wireX, type NeckGeometry } from '../../neck/geometry';
import { marksOf } from '../../neck/marks';
import { Neck } from '../../neck/Neck';
import { useHeight, useWidth } from '../../neck/useWidth';
import { runCommand } from '../../shell/keys';
import { useAppSelector } from '../../store';
import { usePrefs } from '../../store/prefs';
import { selectChordSounds, type Laid } from '../../store/study';
import { twinRoot } from '../../words/scale-text';
import { neckTitle, shapeTitle } from '../../words/shape-text';
import { scaleName } from '../../words/scale-text';
import { Stand } from '../Stand';

interface Props {
  readonly body: StudyBody;
  readonly laid: Laid;
  readonly current: number;
  readonly notes: NeckNote[];
  readonly onClose: () => void;
}

const about = (shape: Shape | undefined): string => (shape ? `${shape.label}, fret ${shape.lowFret}` : '');

/** The shape across the whole screen: its frets, its fingers, and which rung comes before and after it. */
export function MapStand({ body, laid, current, notes, onClose }: Props) {
  const shape = laid.shapes[current]!;
  const left = body.instrument.handedness === 'left';
  const [down, up] = [about(laid.shapes[current - 1]), about(laid.shapes[current + 1])];
  return (
    <Stand
      open
      onClose={onClose}
      title={`${scaleName(body.scale)}: ${shapeTitle(shape, body.layout.kind)}`}
      before={left ? up : down}
      after={left ? down : up}
      onBefore={() => void runCommand('map', 'left')}
      onAfter={() => void runCommand('map', 'right')}
    >
      <StandNeck body={body} shape={shape} notes={notes} />
    </Stand>
  );
}

function StandNeck({ body, shape, notes }: { readonly body: StudyBody; readonly shape: Shape; readonly notes: NeckNote[] }) {
  const holder = useRef<HTMLDivElement>(null);
  const [width, height] = [useWidth(holder), useHeight(holder)];
  const { instrument, labels, focus, layout, scale } = body;
  const chord = useAppSelector(selectChordSounds);
  const naming = usePrefs();
  const marks = useMemo(
    () => marksOf(notes, shape, { labels, on: instrument, focus, chord, naming, twin: ruleOf(layout.kind).twins ? twinRoot(scale.scale) : null }),
    [notes, shape, labels, instrument, focus, chord, naming, layout, scale],
  ); // prettier-ignore
  const fitted = useMemo(() => (width > 0 ? fit(body, shape, width, height) : null), [body, shape, width, height]);
  return (
    <div ref={holder} className="h-full overflow-hidden">
      {fitted && (
        <div style={{ marginLeft: -fitted.x, width: fitted.g.width }}>
          <Neck g={fitted.g} instrument={instrument} marks={marks} title={glyphs(neckTitle(instrument, scaleName(scale), shape))}>
            {labels !== 'fingers' && <Fingers g={fitted.g} shape={shape} />}
          </Neck>
        </div>
      )}
    </div>
  );
}

/** The finger of each note beside its mark. */
function Fingers({ g, shape }: { readonly g: NeckGeometry; readonly shape: Shape }) {
  return shape.notes.map((n) => (
    <text
      key={`${n.string}/${n.fret}`}
      transform={`translate(${fretX(g, n.fret) + 25 * g.scale} ${stringY(g, n.string) - 5 * g.scale})`}
      textAnchor="middle"
      fontSize={13 * g.scale}
      fontWeight={700}
      fill="#8fc9d0"
    >
      {n.finger}
    </text>
  ));
}

/** Marks no larger than this, however few the frets. */
const LARGEST = 4;
const MARK_PX = 33;

/** A neck drawn so large that the frets of a shape, and half a fret beside them, fill a screen; `x` is where it begins. */
function fit({ instrument }: StudyBody, shape: Shape, width: number, height: number): { readonly g: NeckGeometry; readonly x: number } {
  const { frets } = instrument;
  const nut = nutFret(instrument);
  const from = Math.max(nut, shape.lowFret);
  const atNut = shape.lowFret <= nut;
  const to = Math.min(frets, shape.highFret + 1);
  const strings = instrument.strings.length;
  const share = shareOf(frets, atNut ? 1 : from - 1, to);
  const gap = height / (strings + 0.9);
  const fretPx = (width * shareOf(frets, to, to)) / share;
  const scale = Math.max(0.8, Math.min(LARGEST, gap / MARK_PX, fretPx / MARK_PX));
  const board = (width - (atNut ? 66 * scale : 0)) / share;
  const g = neckGeometry({ width: board + 66 * scale, frets, strings, nut, gap, mirrored: instrument.handedness === 'left', scale });
  const begin = atNut ? 0 : wireX({ ...g, mirrored: false }, from - 2 < 0 ? 0 : from - 2);
  return { g, x: g.mirrored ? Math.max(0, g.width - begin - width) : begin };
}
