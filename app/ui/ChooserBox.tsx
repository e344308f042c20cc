import { useCombobox } from 'downshift';
import { useCallback, useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from 'react';
import { typedEarly } from '../shell/open-part';

export interface Choice<T> {
  readonly key: string;
  readonly value: T;
  readonly title: string;
  readonly detail?: string;
}

export interface ChooserProps<T> {
  readonly label: string;
  readonly placeholder: string;
  /** The choices for what has been typed, best first. */
  readonly find: (text: string) => Choice<T>[];
  readonly onChoose: (value: T) => void;
  readonly current?: string;
  /** Said when nothing matches what was typed. */
  readonly empty: string | ((text: string) => string);
  /** Said over what is offered all the same, such as what is wrong with what was typed; null for nothing. */
  readonly note?: (text: string) => string | null;
  readonly render: (text: string) => ReactNode;
}

/** The list for what is typed, run by the library; what was typed and entered before it was there counts. */
function useChoosing<T>({ find, onChoose, note }: Pick<ChooserProps<T>, 'find' | 'onChoose' | 'note'>) {
  const [text, setText] = useState('');
  /** Enter was pressed early: it takes the first match of the text that came with it. */
  const [entered, setEntered] = useState(false);
  const stands = useRef(false);
  const taken = useRef(false);
  // Early keys are taken when the field stands, once, and not while it is drawn: a drawing may be thrown away, and they with it.
  const onField = useCallback((field: HTMLInputElement | null) => {
    if (!field || stands.current) return;
    stands.current = true;
    const typed = typedEarly();
    setText((now) => typed.text + now);
    setEntered(typed.enter);
  }, []);
  const id = useId();
  const items = find(text);
  const said = items.length ? (note?.(text) ?? null) : null;
  const box = useCombobox<Choice<T>>({
    id,
    items,
    inputValue: text,
    isOpen: true,
    defaultHighlightedIndex: 0,
    itemToString: (item) => item?.title ?? '',
    selectedItem: null,
    onSelectedItemChange: ({ selectedItem }) => selectedItem && onChoose(selectedItem.value),
    stateReducer: (_, { type, changes }) =>
      type === useCombobox.stateChangeTypes.InputBlur ? { ...changes, selectedItem: null } : changes,
  });
  useEffect(() => {
    if (!entered || taken.current || !items.length) return;
    taken.current = true;
    onChoose(items[0]!.value);
  });
  // A list that fills after it was typed for has nothing lit yet: Enter takes its first match all the same.
  const onKey = (e: KeyboardEvent): void => {
    if (e.key !== 'Enter' || box.highlightedIndex >= 0) return;
    e.preventDefault(); // the second half of this press would press the part that has the focus by then
    if (items.length) onChoose(items[0]!.value);
  };
  return { items, said, box, text, onField, onType: setText, onKey };
}

/** The chooser itself, with the library that runs its list. */
export function ChooserBox<T>({ label, placeholder, find, onChoose, current, empty, note, render }: ChooserProps<T>) {
  const { items, said, box, text, onField, onType, onKey } = useChoosing({ find, onChoose, note });
  return (
    <div className="flex min-h-0 flex-col gap-2">
      <label {...box.getLabelProps()} className="text-xs text-soft short:sr-only">
        {label}
      </label>
      <input
        {...box.getInputProps({
          ref: onField,
          onChange: (e) => onType(e.currentTarget.value),
          onKeyDown: onKey,
        })}
        {...(items.length ? {} : { 'aria-activedescendant': undefined })}
        placeholder={placeholder}
        autoFocus
        spellCheck={false}
        autoComplete="off"
        className="w-full rounded-md border border-line bg-paper px-3 py-2 text-base text-ink placeholder:text-soft short:py-0.5"
      />
      {said !== null && (
        <p role="status" className="px-2 text-clay">
          {render(said)}
        </p>
      )}
      <ul {...box.getMenuProps({ 'aria-label': label })} className="max-h-72 min-h-0 overflow-auto rounded-md short:min-h-[7.5rem]">
        {items.map((item, index) => (
          <li
            key={item.key}
            {...box.getItemProps({ item, index })}
            className={`flex cursor-pointer items-baseline justify-between gap-3 rounded px-2 py-1.5 short:py-0.5 ${Math.max(0, box.highlightedIndex) === index ? 'bg-feather-wash' : ''}`}
          >
            <span className={item.key === current ? 'font-semibold text-brass-deep' : ''}>{render(item.title)}</span>{' '}
            {item.detail && <span className="text-right text-xs text-soft">{render(item.detail)}</span>}
          </li>
        ))}
      </ul>
      {items.length === 0 && (
        <p role="status" className="px-2 text-clay">
          {typeof empty === 'string' ? empty : render(empty(text))}
        </p>
      )}
    </div>
  );
}
