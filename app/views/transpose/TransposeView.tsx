import { dequal } from 'dequal/lite';
import { useCallback, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { MOST_LICKS, type StudyBody } from '../../../contract';
import { KeyList } from '../../shell/KeyList';
import { useKeys } from '../../shell/keys';
import { useTheme } from '../../shell/theme';
import { useAppDispatch, useAppSelector } from '../../store';
import { useCreateStudyMutation } from '../../store/api';
import { change } from '../../store/change';
import { edited } from '../../store/editor';
import { addLick, freshLick, sameNeck } from '../../store/licks';
import { selectRung, type Laid } from '../../store/study';
import { movedStudy, type Moved, type StudyMove } from '../../store/transpose';
import { asLick, linesOf, previewLine, previewShape, type Line } from '../../store/transpose-preview';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { Signs } from '../../ui/Signs';
import { leftWords, previewWords } from '../../words/transpose-text';
import { refusalWords } from '../../words/save-text';
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
import { isolated } from '../../words/name-text';

/** The four moves side by side, before and after on two necks. */
export function TransposeView() {
  return <StudyGate>{(body, laid) => <OpenTranspose body={body} laid={laid} />}</StudyGate>;
}

const SHAPE = 'shape';

function OpenTranspose({ body, laid }: { body: StudyBody; laid: Laid }) {
  const current = useAppSelector(selectRung);
  return (
    <>
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
  const moved = useMemo(() => movedStudy(body, laid.shapes, current, move), [body, laid.shapes, current, move]);
  const preview = useMemo(
    () => (line ? previewLine(body, line, move, moved) : previewShape(body, laid.shapes, current, move, moved)),
    [line, body, laid.shapes, current, move, moved],
  );
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
            <Signs>{line ? `the ${line.kind} ${isolated(line.name)}` : `the shape ${shape.label}`}</Signs>
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
              ...lines.map((l) => ({ value: l.key, label: `${l.kind === 'lick' ? 'Lick' : 'Route'}: ${isolated(l.name)}` })),
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
        <Actions body={body} move={move} line={line} fits={preview.after !== null} moved={moved} />
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
  moved: Moved;
}

/** What to do with the move: here, as a new study, or as a new lick. Undo takes any of them back. */
function Actions({ body, move, line, fits, moved: { study, left } }: ActionProps) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [create, { isLoading }] = useCreateStudyMutation();
  const [said, setSaid] = useState<string | null>(null);
  const openAndGo = useOpenAndGo(setSaid);
  const changes = !dequal(study, body) && (fits || line !== null);
  const here = (): void => {
    dispatch(edited(study));
    setSaid('The whole study was moved. Undo brings it back.');
  };
  const asNew = async (): Promise<void> => {
    const result = await create({ ...study, name: `${body.name.slice(0, 80)}, ${scaleName(study.scale)}` });
    if (result.data) await openAndGo(result.data.id);
    else setSaid(`It could not be made: ${refusalWords(result.error)}`);
  };
  const keepAsLick = (): void => {
    const name = `${line?.name ?? ''}, ${scaleName(study.scale)}`.slice(0, 120);
    dispatch(
      change((now) => {
        const lick = line && asLick(study, line, freshLick(now.body, name));
        return (
          lick &&
          addLick(now.body, {
            ...lick,
            instrument: lick.instrument && sameNeck(lick.instrument, now.body.instrument) ? null : lick.instrument,
          })
        );
      }),
    );
    void navigate('/licks');
  };
  return (
    <div className="no-print grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        {line && move.kind !== 'root' && (
          <Button look="brass" disabled={!fits || body.licks.length >= MOST_LICKS} onClick={keepAsLick}>
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
      {left.length > 0 && (
        <ul aria-label="What cannot follow" className="text-clay">
          {left.map((l) => (
            <li key={`${l.kind} ${l.id}`}>
              <Signs>{leftWords(l)}</Signs>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
