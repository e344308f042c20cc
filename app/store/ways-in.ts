import type { Lick, StudyBody } from '../../contract';
import { plainPlace, TICKS, type LickNote, type Shape } from '../../core';
import type { Now } from './change';
import { seamConnection } from './question';
import { addLick, freshLick } from './licks';
import { withLayout } from './moves';
import type { StudyView } from '../words/view-text';

/** A plain way into the tool: which choices it makes, and where it leads. */
export interface WayIn {
  readonly id: 'place' | 'join' | 'lick' | 'print';
  readonly title: string;
  readonly does: string;
  readonly view: StudyView;
  /** The part that opens there. */
  readonly part?: string;
  readonly make: (now: Now) => Partial<StudyBody> | null;
}

/** Steps of a short phrase along a shape, counted from its highest root. */
const PHRASE = [-3, -2, -1, 0, 1, 0, -1, -3];

/** A few notes of a shape that turn round its highest root, as a first lick to move about. */
export function firstLick(body: StudyBody, shape: Shape): Lick {
  const notes = [...shape.notes].sort((a, b) => a.midi - b.midi);
  const root = notes.findLastIndex((n) => n.role === 'root');
  const at = (step: number): number => Math.max(0, Math.min(notes.length - 1, (root < 0 ? notes.length - 2 : root) + step));
  const line = PHRASE.map((step): LickNote => ({ ticks: TICKS / 2, place: plainPlace(notes[at(step)]!) }));
  return { ...freshLick(body, 'First lick'), notes: line };
}

/** What a newcomer comes for, in their words. */
export const WAYS_IN: readonly WayIn[] = [
  {
    id: 'place',
    title: 'A position under my finger',
    does: 'Its root by string, fret and finger: 6 5 2.',
    view: 'map',
    part: 'root',
    make: ({ body, shape }) => ({ ...withLayout(body, { kind: 'window', stretch: 'index' }, shape), labels: 'fingers' }),
  },
  {
    id: 'join',
    title: 'Join two boxes',
    does: 'From one box into the next, note by note.',
    view: 'connect',
    make: ({ body, shapes, current }) => {
      const below = Math.min(current, shapes.length - 2);
      return below < 0 ? null : { connection: seamConnection(body, shapes[below]!, shapes[below + 1]!), route: null };
    },
  },
  {
    id: 'lick',
    title: 'A lick in every place',
    does: 'Type a tab or take ours; see it all over the neck.',
    view: 'licks',
    make: ({ body, shape }) => (body.licks.length || !shape ? null : addLick(body, firstLick(body, shape))),
  },
  {
    id: 'print',
    title: 'A sheet of shapes',
    does: 'All boxes of a scale on paper, or as a PDF.',
    view: 'map',
    part: 'print or export',
    make: () => null,
  },
];
