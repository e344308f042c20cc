import { X } from 'lucide-react';
import { useId, useState, type KeyboardEvent } from 'react';
import { DRAWING } from '../words/views/drawing';

interface Props {
  readonly tags: string[];
  readonly most: number;
  readonly onTags: (tags: string[]) => void;
}

const LONGEST = 30;

/** Tags to find a thing again by: typed, taken with Enter or a comma, pressed to go. */
export function TagField({ tags, most, onTags }: Props) {
  const id = useId();
  const [text, setText] = useState('');
  const add = (): void => {
    const fresh = text.split(',').map((t) => t.trim().toLowerCase().slice(0, LONGEST)).filter((t) => t && !tags.includes(t)); // prettier-ignore
    setText('');
    if (fresh.length) onTags([...tags, ...new Set(fresh)].slice(0, most));
  };
  const onKey = (e: KeyboardEvent): void => {
    if (e.key !== 'Enter' && e.key !== ',') return;
    e.preventDefault();
    add();
  };
  return (
    <div className="mt-2 flex flex-col gap-1">
      <label htmlFor={id} className="text-xs text-soft">
        {DRAWING.tags}
      </label>
      {tags.length > 0 && (
        <ul aria-label={DRAWING.tags} className="flex flex-wrap gap-1">
          {tags.map((t) => (
            <li key={t}>
              <button
                type="button"
                aria-label={DRAWING.takeTheTagAway(t)}
                onClick={() => onTags(tags.filter((x) => x !== t))}
                className="inline-flex min-h-7 cursor-pointer items-center gap-1 rounded-full border border-line px-2 text-xs hover:border-soft"
              >
                {t} <X size={11} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
      <input
        id={id}
        value={text}
        maxLength={LONGEST}
        disabled={tags.length >= most}
        placeholder={tags.length >= most ? DRAWING.tagsAreTheMost(most) : DRAWING.bendOpenerSlow}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={onKey}
        onBlur={add}
        className="rounded-md border border-line bg-paper px-2 py-1.5 text-sm text-ink placeholder:text-soft"
      />
    </div>
  );
}
