import { Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import type { KeptGrip, StudyBody } from '../../../contract';
import { type Instrument, type Place } from '../../../core';
import { pageSize } from '../../../formats/sheet/drawing';
import { drawnGrip } from '../../files/papers';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { dropGrip } from '../../store/grips';
import { Button } from '../../ui/Button';
import { download, fileName } from '../../ui/files';
import { printSvgs } from '../../ui/print';
import { readingsOf } from '../../words/grip-text';
import { sameGrip } from '../../words/harmony-text';
import { isolated } from '../../words/name-text';
import { HARMONY } from '../../words/views/harmony';
import { useSheet } from '../../workers/useSheet';
import { GripTile } from './GripTile';
import { useHold } from './useHold';

const PAPER = { paper: 'a4', turn: 'portrait' } as const;

const nameNow = (i: Instrument, kept: KeptGrip, scale: StudyBody['scale']): string => readingsOf(i, kept.places, scale)[0].symbol;

/** Grips kept in the study: held again, dropped, and put on paper. */
export function KeptGrips({ body, grip }: { readonly body: StudyBody; readonly grip: readonly Place[] }) {
  const dispatch = useAppDispatch();
  const hold = useHold();
  const { grips, instrument, scale } = body;
  const drawn = useMemo(() => grips.map((k) => ({ kept: k, as: drawnGrip(body, k) })), [grips, body]);
  const { pages, problem, make } = useSheet();
  const request = { grips: { name: body.name, instrument, grips: drawn.flatMap((d) => (d.as ? [d.as] : [])), ...PAPER } };
  const print = async (): Promise<void> => {
    const made = await make(request, 'svg').catch(() => null);
    if (made && 'svgs' in made) printSvgs(made.svgs, pageSize(PAPER.paper, PAPER.turn));
  };
  const pdf = async (): Promise<void> => {
    const made = await make(request, 'pdf').catch(() => null);
    if (made && 'pdf' in made) download(`${fileName(`${body.name} ${HARMONY.kept}`)}.pdf`, 'application/pdf', made.pdf);
  };
  return (
    <section className="mt-4 text-[0.84375rem]">
      <h3 className="mb-1 font-semibold">{HARMONY.kept}</h3>
      {grips.length === 0 && <p className="text-soft">{HARMONY.noneKept}</p>}
      <div className="grid grid-cols-[repeat(auto-fill,minmax(7rem,1fr))] gap-2">
        {drawn.map(({ kept, as }) => {
          const now = as && nameNow(instrument, kept, scale);
          const note = !as ? HARMONY.offNeck : now !== kept.symbol && kept.symbol ? HARMONY.was(kept.symbol) : (now ?? undefined);
          return (
            <div key={kept.id} className="flex flex-col items-stretch">
              {as ? (
                <GripTile
                  instrument={instrument}
                  symbol={now ?? scale.tonic}
                  title={isolated(kept.name)}
                  grip={as}
                  on={sameGrip(kept.places, grip)}
                  onHold={hold}
                  {...(note ? { note } : {})}
                />
              ) : (
                <p className="rounded-lg border border-line p-2 text-soft">
                  {isolated(kept.name)}: {HARMONY.offNeck}
                </p>
              )}
              <button
                type="button"
                aria-label={HARMONY.drop(isolated(kept.name))}
                className="tap mt-1 inline-flex cursor-pointer items-center justify-center gap-1 text-xs text-soft hover:text-clay"
                onClick={() => dispatch(change((n) => dropGrip(n.body, kept.id)))}
              >
                <Trash2 size={13} aria-hidden /> {HARMONY.dropIt}
              </button>
            </div>
          );
        })}
      </div>
      {request.grips.grips.length > 0 && (
        <div role="group" aria-label={HARMONY.gripsOnPaper} className="mt-2 flex flex-wrap gap-2">
          <Button disabled={pages !== null} onClick={() => void print()}>
            {HARMONY.print}
          </Button>
          <Button disabled={pages !== null} onClick={() => void pdf()}>
            {HARMONY.pdf}
          </Button>
        </div>
      )}
      {problem && <p className="text-clay">{problem}</p>}
    </section>
  );
}
