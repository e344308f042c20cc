import { dequal } from 'dequal/lite';
import { useNavigate } from 'react-router';
import { viewPath } from '../../store/paths';
import { useCallback, useMemo, useState } from 'react';
import { MOST_LICKS, type StudyBody, type StudyMove } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { useCreateStudyMutation } from '../../store/api';
import { change } from '../../store/change';
import { edited } from '../../store/editor';
import { addLick, freshLick, sameNeck } from '../../store/licks';
import { selectRung, type Laid } from '../../store/study';
import { movedStudy, type Moved } from '../../store/transpose';
import { moveChosen, SHAPE, whatChosen } from '../../store/transposing';
import { asLick, linesOf, previewLine, previewShape, type Line } from '../../store/transpose-preview';
import { Button } from '../../ui/Button';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { counted } from '../../words/count-text';
import { leftWords, previewWords } from '../../words/transpose-text';
import { refusalWords } from '../../words/save-text';
import { scaleName } from '../../words/scale-text';
import { instrumentWords } from '../../words/tuning-text';
import { InstrumentBar } from '../InstrumentBar';
import { Problem } from '../Problem';
import { StudyGate } from '../StudyGate';
import { StudyFooter } from '../StudyFooter';
import { useGo } from '../useGo';
import { BeforeAfter } from './BeforeAfter';
import { MoveCards } from './MoveCards';
import { useTransposeCommands } from './useTransposeCommands';
import { isolated } from '../../words/name-text';
import { TRANSPOSE } from '../../words/views/transpose';

/** The four moves side by side, before and after on two necks. */
export function TransposeView() {
  return <StudyGate view="transpose">{(body, laid) => <OpenTranspose body={body} laid={laid} />}</StudyGate>;
}

function OpenTranspose({ body, laid }: { readonly body: StudyBody; readonly laid: Laid }) {
  const current = useAppSelector(selectRung);
  return (
    <>
      <InstrumentBar body={body} />
      {laid.error || current < 0 ? (
        <>
          <h1 className="mb-2 text-[1.3125rem] font-medium">{TRANSPOSE.noShapeToMoveYet}</h1>
          {laid.error && <Problem error={laid.error} body={body} />}
        </>
      ) : (
        <Moving body={body} laid={laid} current={current} />
      )}
    </>
  );
}

function Moving({ body, laid, current }: { readonly body: StudyBody; readonly laid: Laid; readonly current: number }) {
  const lines = useMemo(() => linesOf(body), [body]);
  const { what: wanted, move } = useAppSelector((s) => s.transposing);
  const line = lines.find((l) => l.key === wanted) ?? null;
  const dispatch = useAppDispatch();
  const setMove = useCallback((next: StudyMove) => void dispatch(moveChosen(next)), [dispatch]);
  const shape = laid.shapes[current]!;
  const moved = useMemo(() => movedStudy(body, laid.shapes, current, move), [body, laid.shapes, current, move]);
  const preview = useMemo(
    () => (line ? previewLine(body, line, move, moved) : previewShape(body, laid.shapes, current, move, moved)),
    [line, body, laid.shapes, current, move, moved],
  );
  useTransposeCommands();
  return (
    <div className="view-column">
      <header>
        <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
          {TRANSPOSE.move} <SubjectPart shape={shape.label} line={line} lines={lines} onSubject={(key) => dispatch(whatChosen(key))} />{' '}
          {TRANSPOSE.toWord}{' '}
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
        <p className="num mt-0.5 text-[0.8125rem] text-soft">
          <Signs>{`${scaleName(body.scale)} · ${instrumentWords(line?.neck ?? body.instrument)}`}</Signs>
        </p>
      </header>
      <MoveCards body={body} shapes={laid.shapes} current={current} line={line} move={move} onMove={setMove} />
      <p className="my-2 min-h-6 text-[0.9375rem]" role="status" aria-live="polite">
        <Signs>{previewWords(move, preview)}</Signs>
      </p>
      <BeforeAfter preview={preview}>
        <Actions body={body} move={move} line={line} fits={preview.after !== null} moved={moved} />
      </BeforeAfter>
      <StudyFooter hint={TRANSPOSE.n1Key2RootString} />
    </div>
  );
}

interface SubjectProps {
  readonly shape: string;
  readonly line: Line | null;
  readonly lines: Line[];
  readonly onSubject: (key: string) => void;
}

const subjectWords = (line: Line | null, shape: string): string => (line ? `the ${line.kind} ${isolated(line.name)}` : shape);

/** What is moved: the shape under the hand, or a lick or kept route by name. */
function SubjectPart({ shape, line, lines, onSubject }: SubjectProps) {
  const all: (Line | null)[] = [null, ...lines];
  return (
    <SentencePart name="what is moved" text={<Signs>{subjectWords(line, shape)}</Signs>}>
      {(close) => (
        <Chooser<string>
          label={TRANSPOSE.whatIsMovedTheShape}
          placeholder={TRANSPOSE.partOfAName}
          find={(text) =>
            all
              .map((l) => ({
                key: l?.key ?? SHAPE,
                value: l?.key ?? SHAPE,
                title: subjectWords(l, shape),
                detail: l ? counted(l.places.length, 'note') : TRANSPOSE.theShapeUnderTheHand,
              }))
              .filter((c) => c.title.toLowerCase().includes(text.trim().toLowerCase()))
          }
          onChoose={(key) => { onSubject(key); close(); }} // prettier-ignore
          current={line?.key ?? SHAPE}
          empty={TRANSPOSE.noLickOrKeptRoute}
          render={(text) => <Signs>{text}</Signs>}
        />
      )}
    </SentencePart>
  );
}

function headline(move: StudyMove, scale: string, instrument: string): string {
  if (move.kind === 'root') return `a root on string ${move.string}`;
  if (move.kind === 'tuning') return instrument || 'another tuning';
  return scale || 'where it does not fit';
}

interface ActionProps {
  readonly body: StudyBody;
  readonly move: StudyMove;
  readonly line: Line | null;
  readonly fits: boolean;
  readonly moved: Moved;
}

/** The move done: here, as a new study, or as a new lick. */
function useDoing({ body, line, moved: { study } }: Pick<ActionProps, 'body' | 'line' | 'moved'>) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const [create, { isLoading }] = useCreateStudyMutation();
  const [said, setSaid] = useState<string | null>(null);
  const navigate = useNavigate();
  const here = (): void => {
    dispatch(edited(study));
    setSaid(TRANSPOSE.theWholeStudyWasMoved);
  };
  const asNew = async (): Promise<void> => {
    const result = await create({ ...study, name: `${body.name.slice(0, 80)}, ${scaleName(study.scale)}` });
    if (result.data) await navigate(viewPath(result.data.id, 'map'));
    else setSaid(TRANSPOSE.itCouldNotBeMade(refusalWords(result.error)));
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
    go('licks');
  };
  return { here, asNew: () => void asNew(), keepAsLick, making: isLoading, said };
}

/** What to do with the move. Undo takes any of it back. */
function Actions(props: ActionProps) {
  const { body, move, line, fits, moved } = props;
  const { here, asNew, keepAsLick, making, said } = useDoing(props);
  const changes = !dequal(moved.study, body) && (fits || line !== null);
  return (
    <div className="no-print grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        {line && move.kind !== 'root' && (
          <Button look="brass" disabled={!fits || body.licks.length >= MOST_LICKS} onClick={keepAsLick}>
            {TRANSPOSE.keepItAsANew}
          </Button>
        )}
        <Button look={line ? 'plain' : 'brass'} disabled={!changes} onClick={here}>
          {move.kind === 'root' ? TRANSPOSE.goToThatRung : TRANSPOSE.moveTheWholeStudy}
        </Button>
        {move.kind !== 'root' && (
          <Button disabled={!changes || making} onClick={asNew}>
            {TRANSPOSE.makeANewStudyOf}
          </Button>
        )}
        <span role="status" aria-live="polite" className="text-soft">
          {said}
        </span>
      </div>
      {move.kind !== 'root' && (
        <p className="text-xs text-soft">
          {TRANSPOSE.theWholeStudyItsScale(counted(body.licks.length, 'lick'), counted(body.routes.length, 'kept route'))}
        </p>
      )}
      <Left left={moved.left} />
    </div>
  );
}

/** What of the study cannot follow. */
function Left({ left }: Pick<Moved, 'left'>) {
  if (!left.length) return null;
  return (
    <ul aria-label={TRANSPOSE.whatCannotFollow} className="text-clay">
      {left.map((l) => (
        <li key={`${l.kind} ${l.id}`}>
          <Signs>{leftWords(l)}</Signs>
        </li>
      ))}
    </ul>
  );
}
