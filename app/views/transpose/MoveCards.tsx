import type { StudyBody, MoveKeep, StudyMove } from '../../../contract';
import { brightnessOrder, chromaOf, isOnNeck, isScale, movedKey, nutFret, relatedModes, toKey, type Instrument, type Place, type ScaleRef, type Shape } from '../../../core'; // prettier-ignore
import { LIMITS } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { rootStrings, type Line } from '../../store/transpose-preview';
import { scaleName, tonicsFor } from '../../words/scale-text';
import { byWords, MOVE_NAMES, modeChangeWords } from '../../words/transpose-text';
import { instrumentWords, matchTunings, retuned, stringsWord, type TuningChoice } from '../../words/tuning-text';
import { glyphs } from '../../../core';
import { TRANSPOSE } from '../../words/views/transpose';

interface Props {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly current: number;
  /** The line that is moved; null: the shape. */
  readonly line: Line | null;
  readonly move: StudyMove;
  readonly onMove: (move: StudyMove) => void;
}

const KINDS: readonly StudyMove['kind'][] = ['key', 'root', 'mode', 'tuning'];

/** The four moves side by side; what the chosen one can be set to stands under them in one line. */
export function MoveCards(props: Props) {
  const { move, onMove } = props;
  const { does, name } = MOVE_NAMES[move.kind];
  const Controls = { key: KeyMove, root: RootMove, mode: ModeMove, tuning: TuningMove }[move.kind];
  return (
    <div className="no-print after-neck mt-2 overflow-hidden rounded-[10px] border border-line bg-sheet">
      <div role="radiogroup" aria-label={TRANSPOSE.move} data-own-keys className="grid grid-cols-2 sm:grid-cols-4">
        {KINDS.map((kind, k) => {
          const on = kind === move.kind;
          return (
            <button
              key={kind}
              type="button"
              role="radio"
              aria-checked={on}
              aria-keyshortcuts={String(k + 1)}
              tabIndex={on ? 0 : -1}
              data-move={kind}
              onClick={() => !on && onMove(firstMove(kind, props))}
              onKeyDown={(e) => {
                const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
                const next = KINDS[(k + by + KINDS.length) % KINDS.length]!;
                if (!by) return;
                e.preventDefault();
                onMove(firstMove(next, props));
                e.currentTarget.parentElement?.querySelector<HTMLElement>(`[data-move=${next}]`)?.focus();
              }}
              className={`min-h-10 cursor-pointer border-b-[3px] px-3 text-left font-display text-[0.875rem] font-semibold focus-visible:outline-offset-[-3px] ${on ? 'border-brass bg-paper text-ink' : 'border-line text-soft hover:text-ink'}`}
            >
              <span className="mr-2 font-text text-xs font-normal text-soft">{k + 1}</span>
              {MOVE_NAMES[kind].name}
            </button>
          );
        })}
      </div>
      <section aria-label={name} className="flex min-h-17 flex-wrap items-end gap-x-4 gap-y-2 px-3 py-2">
        <Controls {...props} />
        <p className="basis-56 self-center text-xs text-soft max-lg:hidden xl:grow">{does}</p>
      </section>
    </div>
  );
}

/** Where a kind of move begins when it is gone to: with something that moves, so that it is seen at once. */
function firstMove(kind: StudyMove['kind'], props: Props): StudyMove {
  const { body, shapes, current, line } = props;
  switch (kind) {
    case 'key':
      return { kind, by: 2 };
    case 'root': {
      const now = shapes[current]!.roots[0]?.string;
      return { kind, string: rootStrings(shapes).find((s) => s !== now) ?? now ?? 1 };
    }
    case 'mode': {
      const scale = brightnessOrder(body.scale.tonic).find((m) => !same(m, body.scale)) ?? body.scale;
      return { kind, how: 'parallel', scale };
    }
    case 'tuning':
      return { kind, instrument: line?.neck ?? body.instrument, keep: 'sound' };
  }
}

const placesOf = ({ body, shapes, current, line }: Props) =>
  line
    ? { neck: line.neck, places: line.places }
    : { neck: body.instrument, places: shapes[current]!.notes.map(({ string, fret }) => ({ string, fret })) };

/** Every place where it fits in a key; none where a place is not on the neck at all (a capo above it). */
const fitsOf = (neck: Instrument, places: Place[], by: number): ReturnType<typeof toKey> =>
  places.every((p) => isOnNeck(neck, p)) ? toKey(neck, places, by) : [];

/** The key, and every place where it then fits, nearest first. */
function KeyMove(props: Props) {
  const { body, move, onMove } = props;
  const { neck, places } = placesOf(props);
  const tonics = tonicsFor(body.scale.scale);
  const now = chromaOf(body.scale.tonic);
  const by = move.kind === 'key' ? move.by : 2;
  const target = (((now + by) % 12) + 12) % 12;
  const up = (((target - now) % 12) + 12) % 12;
  const nearest = up > 6 ? up - 12 : up;
  const fits = fitsOf(neck, places, nearest).map((f) => f.places[0]!.fret - places[0]!.fret);
  const choose = (tonic: string): void => {
    const rise = (((chromaOf(tonic) - now) % 12) + 12) % 12;
    const near = rise > 6 ? rise - 12 : rise;
    const [first] = fitsOf(neck, places, near);
    onMove({ kind: 'key', by: first ? first.places[0]!.fret - places[0]!.fret : near });
  };
  return (
    <>
      <Select
        label={TRANSPOSE.newKey}
        value={movedKey(body.scale, by).tonic}
        options={tonics.map((value) => ({ value, label: glyphs(value) }))}
        onChange={choose}
      />
      <div role="group" aria-label={TRANSPOSE.whereItFitsNearestFirst} className="flex flex-wrap gap-1">
        {fits.map((f) => (
          <button
            key={f}
            type="button"
            className="chip"
            aria-pressed={move.kind === 'key' && f === by}
            onClick={() => onMove({ kind: 'key', by: f })}
          >
            {byWords(f)}
          </button>
        ))}
        {!fits.length && <p className="text-clay">{TRANSPOSE.itFitsNowhereInThat}</p>}
      </div>
    </>
  );
}

function RootMove({ shapes, line, move, onMove }: Props) {
  if (line) return <p className="text-soft">{TRANSPOSE.aLineFindsItsOther}</p>;
  return (
    <div role="group" aria-label={TRANSPOSE.rootOnString} className="flex flex-wrap gap-1">
      {rootStrings(shapes).map((s) => (
        <button
          key={s}
          type="button"
          className="chip"
          aria-label={TRANSPOSE.string(s)}
          aria-pressed={move.kind === 'root' && move.string === s}
          onClick={() => onMove({ kind: 'root', string: s })}
        >
          {s}
        </button>
      ))}
    </div>
  );
}

const same = (a: ScaleRef, b: ScaleRef): boolean => scaleName(a) === scaleName(b);

/** Parallel and relative stand apart and are never mixed up. */
function ModeMove({ body, move, onMove }: Props) {
  if (!isScale(body.scale.scale)) return null;
  const parallel = brightnessOrder(body.scale.tonic).filter((m) => !same(m, body.scale));
  const relative = relatedModes(body.scale).slice(1).map(({ tonic, scale }) => ({ tonic, scale })); // prettier-ignore
  const value = (how: 'parallel' | 'relative'): string => (move.kind === 'mode' && move.how === how ? scaleName(move.scale) : '');
  const options = (all: ScaleRef[], words: (m: ScaleRef) => string) => [
    { value: '', label: TRANSPOSE.choose },
    ...all.map((m) => ({ value: scaleName(m), label: glyphs(words(m)) })),
  ];
  const choose = (how: 'parallel' | 'relative', all: ScaleRef[]) => (name: string) => {
    const scale = all.find((m) => scaleName(m) === name);
    if (scale) onMove({ kind: 'mode', how, scale });
  };
  return (
    <>
      <Select
        label={TRANSPOSE.parallelTheRootStaysNotes}
        value={value('parallel')}
        options={options(parallel, (m) => `${scaleName(m)}: ${modeChangeWords(body.scale, m)}`)}
        onChange={choose('parallel', parallel)}
      />
      <Select
        label={TRANSPOSE.relativeTheNotesStayThe}
        value={value('relative')}
        options={options(relative, scaleName)}
        onChange={choose('relative', relative)}
      />
    </>
  );
}

const KEEPS: { readonly value: MoveKeep; readonly label: string }[] = [
  { value: 'sound', label: TRANSPOSE.sound },
  { value: 'shape', label: TRANSPOSE.shape },
  { value: 'layout', label: TRANSPOSE.layout },
];
const low = (open: string[]): string => [...open].reverse().join(' ').replace(/-?\d/g, '');

function TuningMove({ body, line, move, onMove }: Props) {
  const from = line?.neck ?? body.instrument;
  const now: Instrument = move.kind === 'tuning' ? move.instrument : from;
  const keep: MoveKeep = move.kind === 'tuning' ? (line && move.keep === 'layout' ? 'sound' : move.keep) : 'sound';
  const set = (instrument: Instrument, kept: MoveKeep = keep): void => onMove({ kind: 'tuning', instrument, keep: kept });
  return (
    <>
      <SentencePart
        name="new tuning"
        look="chip"
        text={<Signs>{move.kind === 'tuning' ? instrumentWords(now) : TRANSPOSE.chooseStringsAndTuning}</Signs>}
      >
        {(close) => (
          <Chooser<TuningChoice>
            label={TRANSPOSE.typeNotesLowestStringFirst}
            placeholder="D A D G B E"
            find={(text) =>
              matchTunings(text, now).map((value) => ({
                key: `${value.name} ${low(value.open)}`,
                value,
                title: `${value.name}: ${low(value.open)}`,
                detail: stringsWord(value.open.length),
              }))
            }
            onChoose={(value) => { set(retuned(now, value)); close(); }} // prettier-ignore
            empty={TRANSPOSE.thoseAreNoNotesWrite}
            render={(text) => <Signs>{text}</Signs>}
          />
        )}
      </SentencePart>
      <div className="grid w-44 grid-cols-2 gap-2">
        <NumberField
          label={TRANSPOSE.frets}
          value={now.frets}
          min={LIMITS.frets[0]}
          max={LIMITS.frets[1]}
          onChange={(frets) => set({ ...now, frets, capo: Math.min(nutFret(now), frets - 5) })}
        />
        <NumberField
          label={TRANSPOSE.capoAtFret}
          value={nutFret(now)}
          min={0}
          max={Math.min(12, now.frets - 5)}
          onChange={(capo) => set({ ...now, capo })}
        />
      </div>
      <Segmented<MoveKeep> label={TRANSPOSE.keep} value={keep} options={line ? KEEPS.slice(0, 2) : KEEPS} onChange={(k) => set(now, k)} />
    </>
  );
}
