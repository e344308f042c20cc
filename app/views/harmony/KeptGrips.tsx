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

type Drawn = NonNullable<ReturnType<typeof drawnGrip>>;

const nameNow = (i: Instrument, kept: KeptGrip, scale: StudyBody['scale']): string => readingsOf(i, kept.places, scale)[0]!.symbol;

interface Props {
  readonly body: StudyBody;
  readonly grip: readonly Place[];
}

/** Grips kept in the study: held again, dropped, and put on paper. */
export function KeptGrips({ body, grip }: Props) {
  const { grips } = body;
  const drawn = useMemo(() => grips.map((k) => ({ kept: k, as: drawnGrip(body, k) })), [grips, body]);
  return (
    <section className="mt-4 text-[0.84375rem]">
      <h3 className="mb-1 font-semibold">{HARMONY.kept}</h3>
      {grips.length === 0 && <p className="text-soft">{HARMONY.noneKept}</p>}
      <div className="grid grid-cols-[repeat(auto-fill,minmax(7rem,1fr))] gap-2">
        {drawn.map(({ kept, as }) => (
          <KeptTile key={kept.id} body={body} kept={kept} as={as} on={sameGrip(kept.places, grip)} />
        ))}
      </div>
      <OnPaper body={body} grips={drawn.flatMap((d) => (d.as ? [d.as] : []))} />
    </section>
  );
}

interface TileProps {
  readonly body: StudyBody;
  readonly kept: KeptGrip;
  /** As it is drawn; null where the neck has no such places. */
  readonly as: Drawn | null;
  readonly on: boolean;
}

function KeptTile({ body: { instrument, scale }, kept, as, on }: TileProps) {
  const dispatch = useAppDispatch();
  const hold = useHold();
  const now = as && nameNow(instrument, kept, scale);
  const note = now !== kept.symbol && kept.symbol ? HARMONY.was(kept.symbol) : (now ?? undefined);
  return (
    <div className="flex flex-col items-stretch">
      {as ? (
        <GripTile
          instrument={instrument}
          symbol={now ?? scale.tonic}
          title={isolated(kept.name)}
          grip={as}
          on={on}
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
}

function OnPaper({ body: { name, instrument }, grips }: { readonly body: StudyBody; readonly grips: Drawn[] }) {
  const { pages, problem, make } = useSheet();
  const request = { grips: { name, instrument, grips, ...PAPER } };
  const print = async (): Promise<void> => {
    const made = await make(request, 'svg').catch(() => null);
    if (made && 'svgs' in made) printSvgs(made.svgs, pageSize(PAPER.paper, PAPER.turn));
  };
  const pdf = async (): Promise<void> => {
    const made = await make(request, 'pdf').catch(() => null);
    if (made && 'pdf' in made) download(`${fileName(`${name} ${HARMONY.kept}`)}.pdf`, 'application/pdf', made.pdf);
  };
  return (
    <>
      {grips.length > 0 && (
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
    </>
  );
}
