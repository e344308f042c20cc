import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { MOST_LICKS, type StudyBody } from '../../../contract';
import { ConflictBar } from '../../shell/SaveNote';
import { KeyList } from '../../shell/KeyList';
import { useKeys } from '../../shell/keys';
import { useTheme } from '../../shell/theme';
import { useAppDispatch, useAppSelector } from '../../store';
import { useCreateStudyMutation } from '../../store/api';
import { change } from '../../store/change';
import { edited } from '../../store/editor';
import { addLick, freshLick, sameNeck } from '../../store/licks';
import { selectRung, type Laid } from '../../store/study';
import { linesOf, movedLine, movedStudy, previewLine, previewShape, type Line, type StudyMove } from '../../store/transpose';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { Signs } from '../../ui/Signs';
import { previewWords } from '../../words/transpose-text';
import { scaleName } from '../../words/scale-text';
import { instrumentWords } from '../../words/tuning-text';
import { InstrumentBar } from '../InstrumentBar';
import { Problem } from '../Problem';
import { StudyGate } from '../StudyGate';
import { StudyFooter } from '../StudyFooter';
import { useOpenAndGo } from '../useOpenAndGo';
import { BeforeAfter } from './BeforeAfter';
import { MoveCards } from './MoveCards';
import { useTransposeCommands } from './useTransposeCommands';

/** The four moves side by side, before and after on two necks. */
export function TransposeView() {
  return <StudyGate>{(body, laid) => <OpenTranspose body={body} laid={laid} />}</StudyGate>;
}

const SHAPE = 'shape';

function OpenTranspose({ body, laid }: { body: StudyBody; laid: Laid }) {
  const current = useAppSelector(selectRung);
  return (
    <>
      <ConflictBar />
      <InstrumentBar body={body} />
      {laid.error || current < 0 ? (
        <>
          <h1 className="mb-2 text-[21px] font-medium">No shape to move yet</h1>
          {laid.error && <Problem error={laid.error} body={body} />}
        </>
      ) : (
        <Bench body={body} laid={laid} current={current} />
      )}
    </>
  );
}

function Bench({ body, laid, current }: { body: StudyBody; laid: Laid; current: number }) {
  const lines = useMemo(() => linesOf(body), [body]);
  const [wanted, setSubject] = useState(SHAPE);
  const line = lines.find((l) => l.key === wanted) ?? null;
  const [move, setMove] = useState<StudyMove>({ kind: 'key', by: 2 });
  const shape = laid.shapes[current];
  const preview = useMemo(
    () => (line ? previewLine(body, line, move) : previewShape(body, laid.shapes, current, move)),
    [line, body, laid.shapes, current, move],
  );
  const whole = useMemo(() => movedStudy(body, laid.shapes, current, move), [body, laid.shapes, current, move]);
  const [, toggleTheme] = useTheme();
  const [keysOpen, setKeysOpen] = useState(false);
  const showKeys = useCallback(() => setKeysOpen(true), []);
  const commands = useTransposeCommands({ setMove, toggleTheme, showKeys });
  useKeys(commands);
  return (
    <>
      <header>
        <h1 className="text-[21px] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[25px]">
          Move{' '}
          <b className="font-semibold text-feather">
            <Signs>{line ? `the ${line.kind} ${line.name}` : `the shape ${shape.label}`}</Signs>
          </b>{' '}
          to{' '}
          <b className="font-semibold text-feather">
            <Signs>
              {headline(
                move,
                preview.after?.scale ? scaleName(preview.after.scale) : '',
                preview.after ? instrumentWords(preview.after.instrument) : '',
              )}
            </Signs>
          </b>
        </h1>
        <p className="num mt-0.5 text-[13px] text-soft">
          <Signs>{`${scaleName(body.scale)} · ${instrumentWords(line?.neck ?? body.instrument)}`}</Signs>
        </p>
      </header>
      {lines.length > 0 && (
        <div className="no-print my-3">
          <Segmented
            label="What is moved"
            value={line?.key ?? SHAPE}
            options={[
              { value: SHAPE, label: `Shape: ${shape.label}` },
              ...lines.map((l) => ({ value: l.key, label: `${l.kind === 'lick' ? 'Lick' : 'Route'}: ${l.name}` })),
            ]}
            onChange={setSubject}
          />
        </div>
      )}
      <MoveCards body={body} shapes={laid.shapes} current={current} line={line} move={move} onMove={setMove} />
      <p className="my-3 text-[15px]" role="status" aria-live="polite">
        <Signs>{previewWords(move, preview)}</Signs>
      </p>
      <BeforeAfter preview={preview}>
        <Actions body={body} move={move} line={line} fits={preview.after !== null} edit={whole.edit} lost={whole.lost} />
      </BeforeAfter>
      <StudyFooter hint="1 key · 2 root string · 3 mode · 4 tuning" onKeys={showKeys} />
      <KeyList commands={commands} open={keysOpen} onOpenChange={setKeysOpen} />
    </>
  );
}

function headline(move: StudyMove, scale: string, instrument: string): string {
  if (move.kind === 'root') return `a root on string ${move.string}`;
  if (move.kind === 'tuning') return instrument || 'another tuning';
  return scale || 'where it does not fit';
}

interface ActionProps {
  body: StudyBody;
  move: StudyMove;
  line: Line | null;
  fits: boolean;
  edit: Partial<StudyBody>;
  lost: string[];
}

/** What to do with the move: here, as a new study, or as a new lick. Undo takes any of them back. */
function Actions({ body, move, line, fits, edit, lost }: ActionProps) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [create, { isLoading }] = useCreateStudyMutation();
  const [said, setSaid] = useState<string | null>(null);
  const openAndGo = useOpenAndGo(setSaid);
  const changes = Object.keys(edit).length > 0 && (fits || line !== null);
  const here = (): void => {
    dispatch(edited(edit));
    setSaid('The whole study was moved. Undo brings it back.');
  };
  const asNew = async (): Promise<void> => {
    const next = { ...structuredClone(body), ...edit };
    const result = await create({ ...next, name: `${body.name.slice(0, 80)}, ${scaleName(next.scale)}` });
    if (result.data) await openAndGo(result.data.id);
    else setSaid('It could not be made: the server does not answer, or refused it.');
  };
  const asLick = (): void => {
    const moved = line && movedLine(body, line.neck, line.notes, move);
    if (!moved) return;
    const { tempo, meter, tags } = line;
    const instrument = sameNeck(moved.instrument, body.instrument) ? null : moved.instrument;
    const name = `${line.name}, ${scaleName(moved.scale)}`.slice(0, 120);
    dispatch(change((now) => addLick(now.body, { ...freshLick(now.body, name), tempo, meter, tags, instrument, notes: moved.notes })));
    void navigate('/licks');
  };
  return (
    <div className="no-print grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        {line && move.kind !== 'root' && (
          <Button look="brass" disabled={!fits || body.licks.length >= MOST_LICKS} onClick={asLick}>
            Keep it as a new lick
          </Button>
        )}
        <Button look={line ? 'plain' : 'brass'} disabled={!changes} onClick={here}>
          {move.kind === 'root' ? 'Go to that rung' : 'Move the whole study'}
        </Button>
        {move.kind !== 'root' && (
          <Button disabled={!changes || isLoading} onClick={() => void asNew()}>
            Make a new study of it
          </Button>
        )}
        <span role="status" aria-live="polite" className="text-soft">
          {said}
        </span>
      </div>
      {move.kind !== 'root' && (
        <p className="text-xs text-soft">
          {`The whole study: its scale and shapes, ${body.licks.length} ${body.licks.length === 1 ? 'lick' : 'licks'} and ${body.routes.length} kept ${body.routes.length === 1 ? 'route' : 'routes'}.`}
        </p>
      )}
      {lost.length > 0 && (
        <ul aria-label="What cannot follow" className="text-clay">
          {lost.map((l) => (
            <li key={l}>
              <Signs>{l}</Signs>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
