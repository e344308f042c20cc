import { LABELS, type StudyBody } from '../../../contract';
import { useCommands } from '../../shell/keys';
import { openPart } from '../../shell/open-part';
import { useAppDispatch } from '../../store';
import { change, type Now } from '../../store/change';
import { buildNext, changeKey, leadRoot, stepRung, toRoot } from '../../store/moves';
import { MAP_COMMANDS } from './map-commands';
import { THE_SHAPE, usePractise } from '../PractiseIt';

/** The root on the next string that a rung has one on, thinner (-1) or thicker (1). */
function rootStep({ body, shapes, current, shape }: Now, by: 1 | -1): Partial<StudyBody> | null {
  const root = leadRoot(shape);
  for (let string = (root?.string ?? 0) + by; string >= 1 && string <= body.instrument.strings.length; string += by) {
    const found = toRoot(body.layout, shapes, current, { string });
    if (found) return found;
  }
  return null;
}

/** Which way up the ladder lies to the right: a left-handed neck is drawn from the right. */
const rightward = ({ body }: Now): 1 | -1 => (body.instrument.handedness === 'left' ? -1 : 1);

const nextLabels = ({ body }: Now): Partial<StudyBody> => ({ labels: LABELS[(LABELS.indexOf(body.labels) + 1) % LABELS.length] });

/** Runs the Map's commands. */
export function useMapCommands({
  hear,
  stand,
  listen,
}: {
  readonly hear: () => void;
  readonly stand: () => void;
  readonly listen: () => void;
}): void {
  const dispatch = useAppDispatch();
  const on = (make: Parameters<typeof change>[0]) => () => void dispatch(change(make));
  const practise = usePractise();
  const part = (name: string) => () => void openPart(name);
  useCommands('map', MAP_COMMANDS, {
    practise: () => practise(THE_SHAPE),
    right: on((n) => stepRung(n.shapes, n.current, rightward(n))),
    left: on((n) => stepRung(n.shapes, n.current, rightward(n) === 1 ? -1 : 1)),
    thinner: on((n) => rootStep(n, -1)),
    thicker: on((n) => rootStep(n, 1)),
    'key-up': on((n) => changeKey(n.body, 1)),
    'key-down': on((n) => changeKey(n.body, -1)),
    labels: on(nextLabels),
    hear,
    stand,
    listen,
    build: on((n) => buildNext(n.body)),
    scale: part('tonic and scale'),
    tuning: part('strings and tuning'),
    layout: part('layout'),
    root: part('root'),
    over: part('scale laid over'),
    chord: part('chord'),
    grip: part('grip'),
    show: part('notes that stand out'),
    print: part('print or export'),
  });
}
