import { useMemo, useState } from 'react';
import { HANDOUT_KINDS, MOST_PARTS, type Handout, type HandoutKind, type StudyBody } from '../../../contract';
import { CoreError, layOut, onceEach, parseChord, type Shape } from '../../../core';
import { useAppDispatch, useAppSelector } from '../../store';
import { useStudiesQuery, useStudyQuery } from '../../store/api';
import { change } from '../../store/change';
import { LOOSE } from '../../store/editor';
import { addPart, type NewPart } from '../../store/handouts';
import { rungOf } from '../../store/study';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Select } from '../../ui/Select';
import { HANDOUT_WORDS } from '../../words/handout-text';
import { isolated } from '../../words/name-text';
import { refusalWords } from '../../words/save-text';
import { HANDOUT } from '../../words/views/handout';

const OWN = '';
type Option = { readonly value: string; readonly label: string };

/** The things of a kind that a study has, by what names them. */
function thingsOf(kind: HandoutKind, body: StudyBody | null, shapes: readonly Shape[]): Option[] {
  const named = (all: readonly { readonly id: string; readonly name: string }[]): Option[] =>
    all.map(({ id, name }) => ({ value: id, label: isolated(name) }));
  if (!body) return [];
  switch (kind) {
    case 'route':
      return named(body.routes);
    case 'lick':
      return named(body.licks.filter((l) => l.notes.length));
    case 'drill':
      return named(body.drills);
    case 'shape':
      return shapes.map((s) => ({ value: shapeKey(s), label: s.label }));
    default:
      return [];
  }
}
const shapeKey = (s: Shape): string => `${s.number}/${s.handFret}`;
const CHOSEN: readonly HandoutKind[] = ['route', 'lick', 'drill', 'shape'];

function shapesIn(body: StudyBody): Shape[] {
  try {
    return onceEach(body.layout.kind, layOut(body.instrument, body.scale, body.layout));
  } catch (e) {
    if (e instanceof CoreError) return [];
    throw e;
  }
}

function isChord(text: string): boolean {
  try {
    parseChord(text);
    return true;
  } catch (e) {
    if (e instanceof CoreError) return false;
    throw e;
  }
}

/** The part that was chosen; null where something is missing yet. */
function partOf(
  kind: HandoutKind,
  study: string | null,
  thing: string | undefined,
  chord: string,
  shapes: readonly Shape[],
): NewPart | null {
  if (kind === 'text') return { kind, text: '' };
  if (kind === 'arpeggio') return isChord(chord) ? { kind, study, chord } : null;
  if (kind === 'shape') {
    const shape = shapes.find((s) => shapeKey(s) === thing);
    return shape ? { kind, study, rung: rungOf(shape) } : null;
  }
  if (kind === 'route' || kind === 'lick' || kind === 'drill') return thing ? { kind, study, of: thing } : null;
  return { kind, study };
}

/** One more part: what, of which study, and which of its things. */
export function AddPart({ handout }: { readonly handout: Handout }) {
  const dispatch = useAppDispatch();
  const { id: open, body: own } = useAppSelector((s) => s.editor);
  const { data: studies } = useStudiesQuery();
  const [kind, setKind] = useState<HandoutKind>('shape');
  const [study, setStudy] = useState(OWN);
  const [thing, setThing] = useState('');
  const [chord, setChord] = useState('');
  const { data: other, error, refetch } = useStudyQuery(study, { skip: study === OWN });
  const body = study === OWN ? own : other && !other.problems.length ? other.body : null;
  const shapes = useMemo(() => (kind === 'shape' && body ? shapesIn(body) : []), [kind, body]);
  const things = thingsOf(kind, body, shapes);
  const chosen = things.find((t) => t.value === thing) ?? things.at(0);
  const part = partOf(kind, study === OWN ? null : study, chosen?.value, chord.trim(), shapes);
  const full = handout.parts.length >= MOST_PARTS;
  const others = (studies ?? []).filter((s) => s.id !== open && !s.damaged && !s.problems.length);
  const from: Option[] = [
    { value: OWN, label: HANDOUT.thisStudy },
    ...(open === LOOSE ? [] : others.map((s) => ({ value: s.id, label: isolated(s.name) }))),
  ];
  return (
    <Panel title={HANDOUT.add}>
      <div className="grid items-end gap-2 sm:grid-cols-2">
        <Select<HandoutKind>
          label={HANDOUT.kind}
          value={kind}
          options={HANDOUT_KINDS.map((k) => ({ value: k, label: HANDOUT_WORDS[k] }))}
          onChange={setKind}
        />
        {kind !== 'text' && <Select<string> label={HANDOUT.from} value={study} options={from} onChange={setStudy} />}
        {CHOSEN.includes(kind) && chosen && (
          <Select<string> label={HANDOUT.which1} value={chosen.value} options={things} onChange={setThing} />
        )}
        {kind === 'arpeggio' && <ChordField chord={chord} onChord={setChord} />}
        <div>
          <Button disabled={!part || full} onClick={() => part && dispatch(change((n) => addPart(n.body, handout.id, part)))}>
            {full ? HANDOUT.mostParts(MOST_PARTS) : HANDOUT.addIt}
          </Button>
        </div>
      </div>
      {CHOSEN.includes(kind) && body && !things.length && <p className="mt-2 text-soft">{HANDOUT.noneThere}</p>}
      {study !== OWN && error && (
        <p role="alert" className="mt-2 text-clay">
          {HANDOUT.notRead(refusalWords(error))} <Button onClick={() => void refetch()}>{HANDOUT.readAgain}</Button>
        </p>
      )}
      {kind === 'arpeggio' && chord.trim() !== '' && !part && <p className="mt-2 text-clay">{HANDOUT.chordCannot}</p>}
    </Panel>
  );
}

const ChordField = ({ chord, onChord }: { readonly chord: string; readonly onChord: (chord: string) => void }) => (
  <label className="grid gap-1 text-xs text-soft">
    {HANDOUT.chord}
    <input
      value={chord}
      maxLength={40}
      placeholder="Dm7"
      onChange={(e) => onChord(e.target.value)}
      className="rounded-md border border-line bg-paper px-2 py-1.5 text-base text-ink"
    />
  </label>
);
