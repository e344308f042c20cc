import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { ArrowDown, ArrowUp, GripVertical, X } from 'lucide-react';
import { useLayoutEffect, useRef } from 'react';
import { MOST_HANDOUT_TEXT, type Handout, type HandoutPart } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { dropPart, movePart, setText } from '../../store/handouts';
import { Signs } from '../../letters/Signs';
import { HANDOUT } from '../../words/views/handout';

interface Props {
  readonly handout: Handout;
  readonly nameOf: (part: HandoutPart) => string;
}

/** A finger that rests before it drags scrolls the page where it does not; in ms and px. */
const TOUCH = { delay: 150, tolerance: 8 };
const MOUSE = { distance: 4 };

/** The parts in their order: dragged by a handle (mouse, finger, keys), or moved by arrows. */
export function PartsList({ handout, nameOf }: Props) {
  const dispatch = useAppDispatch();
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: MOUSE }),
    useSensor(TouchSensor, { activationConstraint: TOUCH }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const { id, parts } = handout;
  const move = (part: string, to: number): void => dispatch(change((n) => movePart(n.body, id, part, to)));
  const dropped = ({ active, over }: DragEndEvent): void => {
    if (over) move(String(active.id), parts.findIndex((p) => p.id === over.id)); // prettier-ignore
  };
  if (!parts.length) return <p className="text-soft">{HANDOUT.noParts}</p>;
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped}>
      <SortableContext items={parts.map((p) => p.id)} strategy={verticalListSortingStrategy}>
        <ol className="grid gap-1.5">
          {parts.map((part, k) => (
            <Row
              key={part.id}
              part={part}
              name={nameOf(part)}
              handout={id}
              at={k}
              last={parts.length - 1}
              onMove={(to) => move(part.id, to)}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

interface RowProps {
  readonly part: HandoutPart;
  readonly name: string;
  readonly handout: string;
  readonly at: number;
  readonly last: number;
  readonly onMove: (to: number) => void;
}

const ICON = 'tap grid size-9 shrink-0 cursor-pointer place-items-center rounded text-soft hover:bg-feather-wash disabled:invisible';

function Row({ part, name, handout, at, last, onMove }: RowProps) {
  const dispatch = useAppDispatch();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, isDragging } = useSortable({ id: part.id });
  const row = useRef<HTMLLIElement | null>(null);
  // Put on the element itself: the page's policy lets no style stand in its text.
  useLayoutEffect(() => {
    row.current?.style.setProperty('transform', transform ? `translateY(${transform.y}px)` : 'none');
  }, [transform]);
  return (
    <li
      ref={(element) => {
        row.current = element;
        setNodeRef(element);
      }}
      className={`flex flex-wrap items-start gap-1 rounded-md border border-line bg-paper p-1 ${isDragging ? 'relative z-10 shadow-xl' : ''}`}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={HANDOUT.drag(name)}
        className={`${ICON} cursor-grab touch-none`}
      >
        <GripVertical size={16} aria-hidden />
      </button>
      <div className="min-w-0 flex-1 py-1.5">
        <p className="break-words">
          <span className="num text-soft">{at + 1}.</span> <Signs>{name}</Signs>
        </p>
      </div>
      <button type="button" disabled={at === 0} aria-label={HANDOUT.up(name)} onClick={() => onMove(at - 1)} className={ICON}>
        <ArrowUp size={16} aria-hidden />
      </button>
      <button type="button" disabled={at === last} aria-label={HANDOUT.down(name)} onClick={() => onMove(at + 1)} className={ICON}>
        <ArrowDown size={16} aria-hidden />
      </button>
      <button
        type="button"
        aria-label={HANDOUT.remove(name)}
        onClick={() => dispatch(change((n) => dropPart(n.body, handout, part.id)))}
        className={ICON}
      >
        <X size={16} aria-hidden />
      </button>
      {part.kind === 'text' && (
        <textarea
          aria-label={HANDOUT.yourText}
          value={part.text}
          maxLength={MOST_HANDOUT_TEXT}
          rows={3}
          onChange={(e) => dispatch(change((n) => setText(n.body, handout, part.id, e.target.value)))}
          className="mb-1 ml-10 w-full rounded-md max-sm:ml-1 border border-line bg-sheet px-2 py-1.5"
        />
      )}
    </li>
  );
}
