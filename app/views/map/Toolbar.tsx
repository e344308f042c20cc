import { memo } from 'react';
import { Play, Redo2, Square, Undo2 } from 'lucide-react';
import { LABELS, TEMPO, type Labels } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { edited, redone, undone } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';

interface Props {
  labels: Labels;
  tempo: number;
  hearing: boolean;
  canHear: boolean;
  onHear: () => void;
}

const LABEL_OPTIONS = LABELS.map((value) => ({ value, label: value[0].toUpperCase() + value.slice(1) }));

function Tempo({ tempo, onTempo }: { tempo: number; onTempo: (tempo: number) => void }) {
  return (
    <label className="num inline-flex min-h-8 items-center gap-2 rounded-md border border-line bg-sheet px-3 text-[12.5px]">
      <span className="text-soft">Tempo</span>
      <input
        type="range"
        min={TEMPO.min}
        max={TEMPO.max}
        step={2}
        value={tempo}
        data-own-keys
        onChange={(e) => onTempo(Number(e.target.value))}
        className="w-24 accent-brass"
      />
      <span className="w-7 text-right">{tempo}</span>
    </label>
  );
}

/** What the marks say, undo, tempo, and hearing it. */
export const Toolbar = memo(function Toolbar({ labels, tempo, hearing, canHear, onHear }: Props) {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector((s) => s.editor.past.length > 0);
  const canRedo = useAppSelector((s) => s.editor.future.length > 0);
  return (
    <div className="no-print my-3 flex flex-wrap items-center gap-2.5">
      <Segmented<Labels>
        label="What the marks say"
        value={labels}
        options={LABEL_OPTIONS}
        onChange={(next) => dispatch(edited({ labels: next }))}
      />
      <Button icon={<Undo2 size={14} aria-hidden />} disabled={!canUndo} onClick={() => dispatch(undone())}>
        Undo
      </Button>
      <Button icon={<Redo2 size={14} aria-hidden />} disabled={!canRedo} onClick={() => dispatch(redone())}>
        Redo
      </Button>
      <span className="grow" />
      <Tempo tempo={tempo} onTempo={(next) => dispatch(edited({ tempo: next }))} />
      <Button
        look="brass"
        disabled={!canHear}
        icon={hearing ? <Square size={14} fill="currentColor" aria-hidden /> : <Play size={14} fill="currentColor" aria-hidden />}
        onClick={onHear}
        title="With headphones, begin quietly."
      >
        {hearing ? 'Stop' : 'Hear it up and down'}
      </Button>
    </div>
  );
});
