import { useCallback, useMemo, useRef, useState } from 'react';
import type { Lick, StudyBody } from '../../../contract';
import { chordFault, defaultSchool, fingerLick, glyphs, neckNotes, heardPitches, TICKS, withPlaces, type FingeredStep, type Instrument, type LickCopy, type Place } from '../../../core'; // prettier-ignore
import { LineNeck } from '../../neck/LineNeck';
import { useHear } from '../../sound/useHear';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
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
import { useLickEdit } from './useLickEdit';
import { isolated } from '../../words/name-text';
import { LICKS } from '../../words/views/licks';

interface Props {
  readonly body: StudyBody;
  readonly lick: Lick;
  readonly neck: Instrument;
}

const NOTHING: (FingeredStep | null)[] = [];

export function LickBench({ body, lick, neck }: Props) {
  const { notes } = lick;
  const edit = useLickEdit(lick, neck);
  const dispatch = useAppDispatch();
  const school = body.school ?? defaultSchool(body.layout);
  const { hand } = body;
  const steps = useMemo(() => (notes.length ? fingerLick(neck, notes, { school, hand }) : NOTHING), [neck, notes, school, hand]);
  const struck = useMemo(() => steps.flatMap((s, index) => (s ? [{ s, index }] : [])), [steps]);
  const line = useMemo(() => struck.map((x) => x.s), [struck]);
  const scale = useMemo(() => neckNotes(neck, body.scale), [neck, body.scale]);
  const sounded = useMemo(() => heardPitches(neck, notes), [neck, notes]);

  const hear = useHear();
  const { on, start, stop } = hear;
  const toggleHear = useCallback(() => {
    if (on) return stop();
    const heard = sounded.map(({ midi, string, start: at, ticks }) => ({ midi, string, beat: at / TICKS, beats: ticks / TICKS }));
    if (heard.length) start(heard, lick.tempo);
  }, [on, start, stop, sounded, lick.tempo]);
  const [standing, setStanding] = useState(false);
  const stand = useCallback(() => setStanding((s) => !s), []);
  useLickCommands({ edit, count: notes.length, hear: toggleHear, stand });

  const chord = body.chord !== null && chordFault(body.chord) === null ? body.chord : null;
  const [copy, setCopy] = useState<LickCopy | null>(null);
  const board = useRef<HTMLDivElement>(null);
  const show = useCallback((c: LickCopy | null) => {
    setCopy(c);
    if (c) board.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  const shown = copy && copy.steps.length === line.length ? copy.steps : line;
  const chosen = struck.findIndex((x) => x.index === edit.caret);
  const sounding = hear.now >= 0 ? struck.findIndex((x) => x.index === sounded[hear.now]?.index) : -1;
  const put = useCallback((c: LickCopy) => { edit.set({ notes: withPlaces(notes, c.steps) }); setCopy(null); }, [edit, notes]); // prettier-ignore

  return (
    <div className="view-column">
      <LickSentence body={body} lick={lick} neck={neck} />
      <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
        <NewLickTools body={body} />
        {notes.length > 0 && <PractiseIt asked={{ of: 'lick', line: lick.id, order: 'up' }} />}
        <LineFiles what="lick" body={body} line={{ ...lick, instrument: neck, scale: lick.stayed ?? body.scale }} />
        <HandPart layout={body.layout} school={body.school} hand={body.hand} onHand={(fields) => dispatch(edited(fields))} />
        <ChordPart scale={body.scale} chord={body.chord} onChord={(chord) => dispatch(edited({ chord }))} />
        <span className="grow" />
        <Tempo tempo={lick.tempo} onTempo={(tempo) => edit.set({ tempo })} />
        <HearButton on={on} disabled={!sounded.length} onHear={toggleHear} />
      </div>
      <HearProblem hear={hear} />
      <NeckBar body={body} lick={lick} />
      <div ref={board}>
        <LineNeck
          instrument={neck}
          notes={scale}
          steps={shown}
          title={glyphs(LICKS.neckWithTheLickPress(isolated(lick.name)))}
          chord={chord}
          chosen={copy ? -1 : chosen}
          sounding={sounding}
          onChoose={(k) => !copy && edit.setCaret(struck[k].index)}
          onHold={(k, place: Place) => { edit.setCaret(struck[k].index); edit.put(place); }} // prettier-ignore
          onPlace={copy ? undefined : edit.enter}
        />
      </div>
      <NoteTools edit={edit} note={notes[edit.caret]} />
      <div className="after-tools mt-3 grid grid-cols-1 items-start gap-3 lg:grid-cols-[1fr_22rem]">
        <div className="grid min-w-0 grid-cols-1 gap-3">
          <LickTab
            body={body}
            lick={lick}
            neck={neck}
            chord={chord}
            steps={steps}
            caret={edit.caret}
            range={edit.chosen}
            sounding={hear.now >= 0 ? sounded[hear.now].index : -1}
            onCaret={edit.setCaret}
            standing={standing}
            onStand={stand}
          />
          {notes.length > 0 && <CopiesPanel body={body} lick={lick} neck={neck} shown={copy} onShow={show} onPut={put} />}
        </div>
        <div className="grid min-w-0 grid-cols-1 gap-3">
          <CheckPanel
            body={body}
            neck={neck}
            notes={notes}
            steps={steps}
            tempo={lick.tempo}
            onMend={(index, place) => edit.set({ notes: notes.map((n, k) => (k === index ? { ...n, place } : n)) })}
          />
          <DegreePanel body={body} lick={lick} neck={neck} onNotes={(next) => edit.set({ notes: next })} />
          <LickDetails body={body} lick={lick} onSet={edit.set} />
        </div>
      </div>
      <StudyFooter hint={LICKS.clickTheNeckToAdd} />
    </div>
  );
}

interface TabProps extends Props {
  /** A chord that the notes are heard over. */
  readonly chord: string | null;
  readonly steps: (FingeredStep | null)[];
  readonly caret: number;
  readonly range: { readonly from: number; readonly to: number };
  readonly sounding: number;
  readonly onCaret: (caret: number) => void;
  readonly standing: boolean;
  readonly onStand: () => void;
}

function LickTab({ body, lick, neck, chord, steps, caret, range, sounding, onCaret, standing, onStand }: TabProps) {
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
      chosen={caret}
      range={range}
      sounding={sounding}
      onChoose={onCaret}
      standing={standing}
      onStand={onStand}
    >
      {!notes.length && <p className="text-soft">{LICKS.pressAPlaceOnThe}</p>}
    </LineTab>
  );
}
