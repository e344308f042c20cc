import type { StudyBody } from '../../../contract';
import {
  CoreError,
  defaultSchool,
  fingersFor,
  pinsThatHold,
  ruleOf,
  samePlace,
  whyFinger,
  type Place,
  type Shape,
  type Why,
} from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { pinsOf, withoutPins, withPin } from '../../store/moves';
import { Button } from '../../ui/Button';
import { Popup } from '../../ui/Popup';
import { COST_WORDS, FINGER_WORDS, MOVE_WORDS, placeWords } from '../../words/route-text';
import { MAP } from '../../words/views/map';

interface Props {
  readonly body: StudyBody;
  readonly shape: Shape;
  readonly at: { readonly place: Place; readonly button: HTMLElement };
  readonly onClose: () => void;
}

type Body = Omit<Props, 'at' | 'onClose'> & { readonly place: Place };

/** Why a place of the shape has its finger, and another one for it: the rest is solved around it. */
export function FingerPart({ body, shape, at, onClose }: Props) {
  const { place, button } = at;
  return (
    <Popup name={MAP.finger} at={button} align="end" look="grid w-[min(22rem,94vw)] gap-2 p-3" onClose={onClose}>
      <FingerOfPlace body={body} shape={shape} place={place} />
    </Popup>
  );
}

function FingerOfPlace({ body, shape, place }: Body) {
  const dispatch = useAppDispatch();
  const here = pinsOf(body, shape);
  const held = here.find((h) => samePlace(h, place)) ?? null;
  const pinned = held?.finger ?? null;
  const everywhere = held !== null && !held.pin.shape;
  const pin = (finger: number | null, all = everywhere): void =>
    void dispatch(change((now) => (now.shape ? withPin(now.body, now.shape, place, finger, all) : null)));
  const now = shape.notes.find((n) => samePlace(n, place))?.finger ?? 0;
  const options = { school: body.school ?? defaultSchool(body.layout), hand: body.hand };
  const why = whyOf(body, shape, place, options);
  return (
    <>
      <h3 className="font-semibold first-letter:uppercase">{MAP.on(FINGER_WORDS[now]!, now ? ' finger' : ' string', placeWords(place))}</h3>
      {why && <Reasons why={why} />}
      {place.fret > (body.instrument.capo ?? 0) && (
        <Fingers can={fingersFor(body.instrument, place, options)} pinned={pinned} onPin={pin} />
      )}
      {pinned !== null && (
        <label className="flex items-center gap-2">
          <input type="checkbox" className="accent-brass" checked={everywhere} onChange={(e) => pin(pinned, e.target.checked)} />
          {MAP.everywhereInAllShapesThat}
        </label>
      )}
      <p className="text-xs text-soft">
        {pinned === null ? MAP.pressAFingerToSettle : everywhere ? MAP.settledByYouInEvery : MAP.settledByYouInThis}
      </p>
      {here.length > 1 && (
        <Button onClick={() => dispatch(change((n) => n.shape && withoutPins(n.body, n.shapes, n.shape)))}>
          {MAP.freeAllSettledFingersOf(here.length)}
        </Button>
      )}
    </>
  );
}

interface FingersProps {
  readonly can: readonly number[];
  readonly pinned: number | null;
  readonly onPin: (finger: number | null) => void;
}

const Fingers = ({ can, pinned, onPin }: FingersProps) => (
  <div role="group" aria-label={MAP.fingerOfThisPlace} className="flex flex-wrap items-center gap-1">
    {can.map((finger) => (
      <button
        key={finger}
        type="button"
        className="chip num"
        aria-pressed={pinned === finger}
        aria-label={MAP.finger2(FINGER_WORDS[finger]!)}
        onClick={() => onPin(finger)}
      >
        {finger}
      </button>
    ))}
    <Button disabled={pinned === null} onClick={() => onPin(null)}>
      {MAP.freeAgain}
    </Button>
  </div>
);

/** Windows fix their fingers by the fret of the hand: no search made them. */
function whyOf(
  body: StudyBody,
  shape: Shape,
  place: Place,
  options: { readonly school: Parameters<typeof whyFinger>[3]['school']; readonly hand: StudyBody['hand'] },
): Why | null {
  if (ruleOf(body.layout.kind).still && !pinsOf(body, shape).length) return null;
  const places = shape.notes.map(({ string, fret }) => ({ string, fret }));
  const held = pinsThatHold(body.instrument, pinsOf(body, shape), options);
  const pins = held.flatMap((p) => places.flatMap((n, index) => (samePlace(n, p) ? [{ index, finger: p.finger }] : [])));
  const index = places.findIndex((n) => samePlace(n, place));
  try {
    return index < 0 ? null : whyFinger(body.instrument, places, index, { ...options, pins });
  } catch (e) {
    if (e instanceof CoreError) return null;
    throw e;
  }
}

/** "+5.0", "−1.2". */
const signed = (mm: number): string => `${mm < 0 ? '−' : '+'}${Math.abs(mm).toFixed(1)}`;

function Reasons({ why }: { readonly why: Why }) {
  const parts = why.parts.filter((p) => Math.abs(p.mm) >= 0.05).map((p) => `${p.mm.toFixed(1)} for ${COST_WORDS[p.word]}`);
  const others = why.others.filter((o) => Number.isFinite(o.moreMm)).map((o) => `${FINGER_WORDS[o.finger]} ${signed(o.moreMm)}`);
  return (
    <dl className="num grid grid-cols-[auto_1fr] gap-x-3">
      <dt className="text-soft">{MAP.goingUp}</dt>
      <dd>{MOVE_WORDS[why.step.move]}</dd>
      <dt className="text-soft">{MAP.effort}</dt>
      <dd>{parts.join('; ') || MAP.none}</dd>
      {others.length > 0 && (
        <>
          <dt className="text-soft">{MAP.others}</dt>
          <dd>{others.join(', ')}</dd>
        </>
      )}
    </dl>
  );
}
