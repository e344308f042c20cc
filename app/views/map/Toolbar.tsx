import type { ReactNode } from 'react';
import { Play, Redo2, Square, Undo2 } from 'lucide-react';
import { LABELS, TEMPO, type Labels } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { edited, redone, undone } from '../../store/editor';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { SentencePart } from '../../ui/SentencePart';
import { Segmented } from '../../ui/Segmented';

interface Props {
  labels: Labels;
  tempo: number;
  hearing: boolean;
  canHear: boolean;
  onHear: () => void;
  children: ReactNode;
}

const LABEL_OPTIONS = LABELS.map((value) => ({ value, label: value[0].toUpperCase() + value.slice(1) }));

function Tempo({ tempo, onTempo }: { tempo: number; onTempo: (tempo: number) => void }) {
  return (
    <SentencePart
      name="tempo"
      look="chip"
      text={
        <>
          <span className="text-soft">Tempo:</span>
          <b className="num font-semibold">{tempo}</b>
        </>
      }
    >
      {() => (
        <>
          <NumberField label="Beats a minute" value={tempo} min={TEMPO.min} max={TEMPO.max} onChange={onTempo} />
          <input
            type="range"
            aria-label="Tempo"
            min={TEMPO.min}
            max={TEMPO.max}
            step={2}
            value={tempo}
            onChange={(e) => onTempo(Number(e.target.value))}
            className="accent-brass"
          />
          <p className="text-xs text-soft">With headphones, begin quietly and turn up.</p>
        </>
      )}
    </SentencePart>
  );
}

/** What the marks say, what lies over the shape (`children`), tempo, and hearing it. */
export function Toolbar({ labels, tempo, hearing, canHear, onHear, children }: Props) {
  const dispatch = useAppDispatch();
  return (
    <div className="no-print my-3 flex flex-wrap items-center gap-2">
      <Segmented<Labels>
        label="What the marks say"
        value={labels}
        options={LABEL_OPTIONS}
        onChange={(next) => dispatch(edited({ labels: next }))}
      />
      {children}
      <span className="grow" />
      <Tempo tempo={tempo} onTempo={(next) => dispatch(edited({ tempo: next }))} />
      <Button
        look="brass"
        disabled={!canHear}
        icon={hearing ? <Square size={14} fill="currentColor" aria-hidden /> : <Play size={14} fill="currentColor" aria-hidden />}
        onClick={onHear}
      >
        {hearing ? 'Stop' : 'Hear it'}
      </Button>
    </div>
  );
}

/** Back and forth through the edits of this sitting. */
export function UndoRedo() {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector((s) => s.editor.past.length > 0);
  const canRedo = useAppSelector((s) => s.editor.future.length > 0);
  return (
    <span className="no-print inline-flex gap-2">
      <Button look="quiet" icon={<Undo2 size={14} aria-hidden />} disabled={!canUndo} onClick={() => dispatch(undone())}>
        Undo
      </Button>
      <Button look="quiet" icon={<Redo2 size={14} aria-hidden />} disabled={!canRedo} onClick={() => dispatch(redone())}>
        Redo
      </Button>
    </span>
  );
}
