import { CLIMB_RANGE, climbTempos, type Climb, type Standing } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { askWarmUp } from '../../store/practice/wish';
import { withClimb } from '../../store/practice/edit';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { SentencePart } from '../../ui/SentencePart';
import { PRACTISE } from '../../words/views/practise';
import type { Running } from './useRun';

interface Props {
  readonly climb: Climb;
  readonly standing: Standing;
  readonly run: Running;
  readonly dry: boolean;
  /** A warm-up: slow, without scoring. */
  readonly warm: boolean;
  readonly half: boolean;
  readonly onTempo: (tempo: number) => void;
}

/** The tempo ladder: the crow stands where the player does, the flag at the goal. */
export function LadderCard({ climb, standing, run, dry, warm, half, onTempo }: Props) {
  return (
    <section className="rounded-[10px] border border-line bg-sheet px-4 py-3">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <h2 className="text-[0.875rem] font-semibold">{PRACTISE.ladder}</h2>
        <p className="min-w-40 grow basis-0 text-[0.84375rem] text-soft" data-asked>
          {warm ? PRACTISE.warmUp : (askedWords(run, dry, half) ?? PRACTISE.rules(climb.clean, climb.misses))}
        </p>
        {warm && <Button onClick={() => askWarmUp(null)}>{PRACTISE.forReal}</Button>}
        <ClimbPart climb={climb} />
        <Button look="link" className="min-h-11 text-[0.9375rem] font-semibold" disabled={!run.on || dry} onClick={() => run.rate('clean')}>
          {PRACTISE.clean} <Key>Space</Key>
        </Button>
        <Button
          className="min-h-11 border-clay! text-[0.9375rem] font-semibold text-clay!"
          disabled={!run.on || dry}
          onClick={() => run.rate('miss')}
        >
          {PRACTISE.missed} <Key>↓</Key>
        </Button>
      </div>
      <Rungs climb={climb} standing={standing} onTempo={onTempo} />
    </section>
  );
}

const Key = ({ children }: { readonly children: string }) => (
  <kbd className="rounded border border-current px-1.5 font-text text-[0.75rem] font-normal">{children}</kbd>
);

/** What is asked or told of the run; null where there is nothing but the rules to say. */
function askedWords({ on, run }: Running, dry: boolean, half: boolean): string | null {
  if (!on || !run) return dry ? PRACTISE.dryRuns : null;
  if (dry) return PRACTISE.dryRuns;
  if (run.held) return PRACTISE.goalHeld;
  if (run.waiting) return PRACTISE.wasClean(run.waiting.pass);
  if (run.early) return PRACTISE.noted(run.pass);
  return half ? PRACTISE.halfRuns : null;
}

const STEP = 74;
const RUNG = 56;
const MOST_SHOWN = 9;

/** Tempos in sight: all of a short ladder, else those round the player with the goal. */
function inSight(climb: Climb, standing: Standing): number[] {
  const all = climbTempos(climb);
  const tempos = all.includes(standing.tempo) ? all : [...all, standing.tempo].sort((a, b) => a - b);
  const at = tempos.indexOf(standing.tempo);
  const from = Math.max(0, Math.min(at - 4, tempos.length - MOST_SHOWN));
  return tempos.slice(from, from + MOST_SHOWN);
}

function Rungs({
  climb,
  standing,
  onTempo,
}: {
  readonly climb: Climb;
  readonly standing: Standing;
  readonly onTempo: (tempo: number) => void;
}) {
  const tempos = inSight(climb, standing);
  return (
    <ol className="mt-2 flex items-end gap-1 overflow-x-auto pb-1" aria-label={PRACTISE.standsAt(standing.tempo, climb.goal)}>
      {tempos.map((t) => {
        const here = t === standing.tempo;
        return (
          <li key={t} className="shrink-0" style={{ width: STEP }}>
            <button
              type="button"
              onClick={() => onTempo(t)}
              aria-current={here ? 'step' : undefined}
              aria-label={`${t} ${PRACTISE.bpm}`}
              className="flex w-full cursor-pointer flex-col items-center"
            >
              <span className="flex h-4 gap-1" aria-hidden>
                {here && Array.from({ length: climb.clean }, (_, k) => <Dot key={k} full={k < standing.clean} />)}
              </span>
              <svg width={RUNG + 12} height={46} aria-hidden>
                {here && <Crow />}
                {t === climb.goal && <Flag />}
                <rect
                  x={6}
                  y={40}
                  width={RUNG}
                  height={here ? 6 : 4}
                  rx={2}
                  fill={here ? 'var(--ink)' : t < standing.tempo ? 'var(--color-brass)' : 'var(--line)'}
                />
              </svg>
              <span className={`num text-[0.9375rem] ${here ? 'font-bold' : 'text-soft'}`}>{t}</span>
            </button>
          </li>
        );
      })}
    </ol>
  );
}

const Dot = ({ full }: { readonly full: boolean }) => (
  <svg width={13} height={13}>
    <circle cx={6.5} cy={6.5} r={5} fill={full ? 'var(--color-brass)' : 'none'} stroke="var(--color-brass)" strokeWidth={2} />
  </svg>
);

const Crow = () => (
  <g transform="translate(20 18)" data-crow>
    <path d="M0 9c2-8 10-10 16-8l10 1-7 4c0 7-4 11-10 11S1 15 0 9z" fill="var(--ink)" />
    <circle cx={16} cy={4.4} r={1.4} fill="var(--sheet)" />
    <path d="M9 17v5M13 17v5" stroke="var(--ink)" strokeWidth={1.6} />
  </g>
);

const Flag = () => (
  <g data-flag>
    <path d="M50 40V4" stroke="var(--feather)" strokeWidth={2} />
    <path d="M50 4L66 11L50 18Z" fill="var(--feather)" />
  </g>
);

function ClimbPart({ climb }: { readonly climb: Climb }) {
  const dispatch = useAppDispatch();
  const set = (fields: Partial<Climb>): void => void dispatch(change(({ body }) => withClimb(body, fields)));
  const { tempo, step, passes } = CLIMB_RANGE;
  return (
    <SentencePart name="tempo ladder" look="chip" text={PRACTISE.ladderSettings}>
      {() => (
        <div className="grid grid-cols-2 gap-3">
          <NumberField
            label={PRACTISE.startTempo}
            unit={PRACTISE.bpm}
            value={climb.start}
            {...tempo}
            onChange={(start) => set({ start })}
          />
          <NumberField label={PRACTISE.goalTempo} unit={PRACTISE.bpm} value={climb.goal} {...tempo} onChange={(goal) => set({ goal })} />
          <NumberField label={PRACTISE.step} value={climb.step} {...step} onChange={(by) => set({ step: by })} />
          <NumberField label={PRACTISE.cleanToClimb} value={climb.clean} {...passes} onChange={(clean) => set({ clean })} />
          <NumberField label={PRACTISE.missesToFall} value={climb.misses} {...passes} onChange={(misses) => set({ misses })} />
        </div>
      )}
    </SentencePart>
  );
}
