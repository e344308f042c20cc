import { useCallback, useMemo, useRef, useState } from 'react';
import type { Lick, StudyBody } from '../../../contract';
import { chordFault, defaultSchool, fingerLick, glyphs, neckNotes, heardPitches, TICKS, withPlaces, type FingeredStep, type Instrument, type LickCopy } from '../../../core'; // prettier-ignore
import { LineNeck } from '../../neck/LineNeck';
import type { Hear } from '../../sound/useHear';
import { useHearLine } from '../../sound/useHearLine';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { SplitBelow } from '../../ui/SplitBelow';
import { useToggle } from '../../ui/useToggle';
import { lickColumns, lickLength, lickNoteWords } from '../../words/lick-text';
import { LineFiles } from '../LineFiles';
import { PractiseIt } from '../PractiseIt';
import { HandPart } from '../HandPart';
import { HearButton, HearProblem, Tempo } from '../HearTools';
import { StudyFooter } from '../StudyFooter';
import { LineTab } from '../LineTab';
import { CheckPanel } from './CheckPanel';
import { CopiesPanel } from './CopiesPanel';
import { DegreePanel } from './DegreePanel';
import { LickDetails } from './LickDetails';
import { LickSentence } from './LickSentence';
import { NewLickTools } from './NewLickTools';
import { NeckBar } from './NeckBar';
import { NoteTools } from './NoteTools';
import { ChordPart } from '../map/ChordPart';
import { useLickCommands } from './useLickCommands';
import { useLickEdit, type LickEdit } from './useLickEdit';
import { isolated } from '../../words/name-text';
import { LICKS } from '../../words/views/licks';

interface Props {
  readonly body: StudyBody;
  readonly lick: Lick;
  readonly neck: Instrument;
}

const NOTHING: (FingeredStep | null)[] = [];

/** The lick worked out: how each note is fingered, what of it is struck, what of the scale lies on the neck, how it sounds. */
function useLickLine({ body, lick, neck }: Props) {
  const { notes } = lick;
  const { hand } = body;
  const school = body.school ?? defaultSchool(body.layout);
  const steps = useMemo(() => (notes.length ? fingerLick(neck, notes, { school, hand }) : NOTHING), [neck, notes, school, hand]);
  const struck = useMemo(() => steps.flatMap((s, index) => (s ? [{ s, index }] : [])), [steps]);
  const line = useMemo(() => struck.map((x) => x.s), [struck]);
  const scale = useMemo(() => neckNotes(neck, body.scale), [neck, body.scale]);
  const sounded = useMemo(() => heardPitches(neck, notes), [neck, notes]);
  const sounds = useMemo(() => sounded.map(({ midi, string, start, ticks }) => ({ midi, string, beat: start / TICKS, beats: ticks / TICKS })), [sounded]); // prettier-ignore
  return { steps, struck, line, scale, sounded, sounds };
}

/** A lick as a sentence, on the neck and as tab, with its copies along the neck and what is to be said of it. */
export function LickEditor({ body, lick, neck }: Props) {
  const { notes } = lick;
  const edit = useLickEdit(lick, neck);
  const worked = useLickLine({ body, lick, neck });
  const { hear, toggle } = useHearLine(worked.sounds, lick.tempo);
  const [standing, stand] = useToggle();
  useLickCommands({ edit, count: notes.length, hear: toggle, stand });
  const chord = body.chord !== null && chordFault(body.chord) === null ? body.chord : null;
  const [copy, setCopy] = useState<LickCopy | null>(null);
  const board = useRef<HTMLDivElement>(null);
  const show = useCallback((c: LickCopy | null) => {
    setCopy(c);
    if (c) board.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  const put = useCallback((c: LickCopy) => { edit.set({ notes: withPlaces(notes, c.steps) }); setCopy(null); }, [edit, notes]); // prettier-ignore
  const sounding = hear.now >= 0 ? (worked.sounded[hear.now]?.index ?? -1) : -1;
  const open = { body, lick, neck };
  return (
    <div className="view-column">
      <LickSentence {...open} />
      <LickTools {...open} edit={edit} hear={hear} silent={!worked.sounds.length} onHear={toggle} />
      <NeckBar body={body} lick={lick} />
      <div ref={board}>
        <LickNeck {...open} {...worked} edit={edit} chord={chord} copy={copy} sounding={sounding} />
      </div>
      <NoteTools edit={edit} note={notes[edit.caret]} />
      <SplitBelow
        main={
          <>
            <LickTab {...open} chord={chord} steps={worked.steps} edit={edit} sounding={sounding} standing={standing} onStand={stand} />
            {notes.length > 0 && <CopiesPanel {...open} shown={copy} onShow={show} onPut={put} />}
          </>
        }
        side={
          <>
            <CheckPanel
              body={body}
              neck={neck}
              notes={notes}
              steps={worked.steps}
              tempo={lick.tempo}
              onMend={(index, place) => edit.set({ notes: notes.map((n, k) => (k === index ? { ...n, place } : n)) })}
            />
            <DegreePanel {...open} onNotes={(next) => edit.set({ notes: next })} />
            <LickDetails body={body} lick={lick} onSet={edit.set} />
          </>
        }
      />
      <StudyFooter hint={LICKS.clickTheNeckToAdd} />
    </div>
  );
}

interface ToolsProps extends Props {
  readonly edit: LickEdit;
  readonly hear: Hear;
  readonly silent: boolean;
  readonly onHear: () => void;
}

function LickTools({ body, lick, neck, edit, hear, silent, onHear }: ToolsProps) {
  const dispatch = useAppDispatch();
  return (
    <>
      <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
        <NewLickTools body={body} />
        {lick.notes.length > 0 && <PractiseIt asked={{ of: 'lick', line: lick.id, order: 'up' }} />}
        <LineFiles what="lick" body={body} line={{ ...lick, instrument: neck, scale: lick.stayed ?? body.scale }} />
        <HandPart layout={body.layout} school={body.school} hand={body.hand} onHand={(fields) => dispatch(edited(fields))} />
        <ChordPart scale={body.scale} chord={body.chord} onChord={(chord) => dispatch(edited({ chord }))} />
        <span className="grow" />
        <Tempo tempo={lick.tempo} onTempo={(tempo) => edit.set({ tempo })} />
        <HearButton on={hear.on} disabled={silent} onHear={onHear} />
      </div>
      <HearProblem hear={hear} />
    </>
  );
}

interface NeckProps extends Pick<Props, 'lick' | 'neck'>, Pick<ReturnType<typeof useLickLine>, 'struck' | 'line' | 'scale'> {
  readonly edit: LickEdit;
  readonly chord: string | null;
  /** A copy to be seen in its place; nothing is entered meanwhile. */
  readonly copy: LickCopy | null;
  readonly sounding: number;
}

function LickNeck({ lick, neck, struck, line, scale, edit, chord, copy, sounding }: NeckProps) {
  const stepOf = (note: number): number => struck.findIndex((x) => x.index === note);
  return (
    <LineNeck
      instrument={neck}
      notes={scale}
      steps={copy && copy.steps.length === line.length ? copy.steps : line}
      title={glyphs(LICKS.neckWithTheLickPress(isolated(lick.name)))}
      chord={chord}
      chosen={copy ? -1 : stepOf(edit.caret)}
      sounding={sounding < 0 ? -1 : stepOf(sounding)}
      onChoose={(k) => !copy && edit.setCaret(struck[k]!.index)}
      onHold={(k, place) => { edit.setCaret(struck[k]!.index); edit.put(place); }} // prettier-ignore
      onPlace={copy ? undefined : edit.enter}
    />
  );
}

interface TabProps extends Props {
  /** A chord that the notes are heard over. */
  readonly chord: string | null;
  readonly steps: (FingeredStep | null)[];
  readonly edit: LickEdit;
  readonly sounding: number;
  readonly standing: boolean;
  readonly onStand: () => void;
}

function LickTab({ body, lick, neck, chord, steps, edit, sounding, standing, onStand }: TabProps) {
  const { notes, meter } = lick;
  const columns = useMemo(() => lickColumns(neck, notes, steps, meter), [neck, notes, steps, meter]);
  const words = useMemo(
    () => notes.map((n, k) => glyphs(lickNoteWords(neck, body.scale, n, k, steps[k] ?? null, chord))),
    [notes, neck, body.scale, steps, chord],
  );
  return (
    <LineTab
      title={isolated(lick.name)}
      about={lickLength(notes, meter, lick.tempo)}
      instrument={neck}
      columns={columns}
      words={words}
      label={LICKS.notesOfTheLick}
      chosen={edit.caret}
      range={edit.chosen}
      sounding={sounding}
      onChoose={edit.setCaret}
      standing={standing}
      onStand={onStand}
    >
      {!notes.length && <p className="text-soft">{LICKS.pressAPlaceOnThe}</p>}
    </LineTab>
  );
}
