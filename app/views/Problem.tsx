import type { StudyBody } from '../../contract';
import type { Layout } from '../../core';
import { useAppDispatch } from '../store';
import { edited } from '../store/editor';
import { withLayout } from '../store/moves';
import type { Laid } from '../store/study';
import { Button } from '../ui/Button';
import { Signs } from '../letters/Signs';
import { layoutWords } from '../words/layout-text';
import { STUDY } from '../words/views/study';

const INSTEAD: Layout[] = [
  { kind: 'window', stretch: 'index' },
  { kind: 'per-string', notes: 2 },
  { kind: 'per-string', notes: 3 },
];

/** Why there is no shape, and what to choose instead. Nothing of the study is changed until the player chooses. */
export function Problem({ error, body }: { readonly error: NonNullable<Laid['error']>; readonly body: StudyBody }) {
  const dispatch = useAppDispatch();
  const aboutLayout = ['NO_SKELETON', 'NO_SHAPE_FITS', 'BAD_LAYOUT', 'NOT_IN_SCALE', 'BAD_PLACE'].includes(error.code);
  const others = INSTEAD.filter((l) => layoutWords(l) !== layoutWords(body.layout));
  return (
    <div role="alert" className="mb-3 flex flex-wrap items-center gap-3 rounded-lg border border-clay bg-sheet p-3">
      <p className="grow">
        <Signs>{error.message}</Signs>
      </p>
      {aboutLayout &&
        others.map((l) => (
          <Button key={layoutWords(l)} look="link" onClick={() => dispatch(edited(withLayout(body, l, null)))}>
            {layoutWords(l)}
          </Button>
        ))}
      {error.code === 'UNKNOWN_SCALE' && (
        <Button look="link" onClick={() => dispatch(edited({ scale: { tonic: body.scale.tonic, scale: 'ionian' } }))}>
          {STUDY.useTheMajorScale}
        </Button>
      )}
    </div>
  );
}
