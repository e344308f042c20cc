import { ClipboardType } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { StudyBody } from '../../../contract';
import { FormatError } from '../../../formats/errors';
import type { Spacing } from '../../../formats/tab/lengths';
import { readTab } from '../../../formats/tab/read';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { addLicks } from '../../store/licks';
import { licksFromLine } from '../../store/bring-in';
import { intoStudy } from '../../store/into';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { LICKS } from '../../words/views/licks';

type Read = { readonly line: ReturnType<typeof readTab> } | { readonly why: string };

const SPACINGS: { readonly value: Spacing; readonly label: string }[] = [
  { value: 'auto', label: LICKS.asItLooks },
  { value: 'eighths', label: LICKS.allEighths2 },
  { value: 'triplets', label: LICKS.allTriplets2 },
  { value: 'spaced', label: LICKS.asSpaced },
];

function read(text: string, body: StudyBody, spacing: Spacing): Read | null {
  if (!text.trim()) return null;
  try {
    return { line: readTab(text, body.instrument, { spacing }) };
  } catch (e) {
    if (e instanceof FormatError) return { why: e.message };
    throw e;
  }
}

const SAMPLE = ['E|-----------------', 'B|-----------------', 'G|-----------------', 'D|---------2--4-5--', 'A|---2--4----------', 'E|-2---------------'].join('\n'); // prettier-ignore

/** A tab typed or pasted becomes a lick; what was taken and left is said while it is typed. */
export function TabInput({ body }: { readonly body: StudyBody }) {
  const dispatch = useAppDispatch();
  const [text, setText] = useState('');
  const [spacing, setSpacing] = useState<Spacing>('auto');
  const found = useMemo(() => read(text, body, spacing), [text, body, spacing]);
  const [refused, setRefused] = useState<string | null>(null);
  const bring = (close: () => void): void => {
    if (!found || 'why' in found) return;
    const made = licksFromLine(intoStudy(body), found.line);
    if ('why' in made) return setRefused(made.why);
    dispatch(change((now) => addLicks(now.body, made.licks)));
    setText('');
    close();
  };
  return (
    <SentencePart
      name="type a tab"
      look="chip"
      wide
      text={
        <>
          <ClipboardType size={14} aria-hidden /> {LICKS.typeOrPasteATab}
        </>
      }
    >
      {(close) => (
        <>
          <label className="flex flex-col gap-1 text-xs text-soft">
            {LICKS.aLineForEveryString}
            <textarea
              rows={10}
              value={text}
              spellCheck={false}
              autoFocus
              placeholder={SAMPLE}
              onChange={(e) => {
                setText(e.target.value);
                setRefused(null);
              }}
              className="rounded-md border border-line bg-paper p-2 font-mono text-[0.8125rem] leading-[1.35] whitespace-pre text-ink"
            />
          </label>
          <Segmented<Spacing> label={LICKS.lengthsWhereNoLettersStand} value={spacing} options={SPACINGS} onChange={setSpacing} />
          <WhatWasRead found={found} refused={refused} />
          <Button look="brass" disabled={!found || 'why' in found} onClick={() => bring(close)}>
            {LICKS.makeALickOfIt}
          </Button>
          <p className="text-xs text-soft">{LICKS.hHammerOnPPull}</p>
        </>
      )}
    </SentencePart>
  );
}

function WhatWasRead({ found, refused }: { readonly found: Read | null; readonly refused: string | null }) {
  return (
    <div role="status" aria-live="polite" className="text-[0.78125rem]">
      {found && 'why' in found && (
        <p className="text-clay first-letter:uppercase">
          <Signs>{found.why}</Signs>
        </p>
      )}
      {refused && <p className="text-clay">{refused}</p>}
      {found && 'line' in found && (
        <ul>
          {found.line.remarks.map((r) => (
            <li key={r}>{r}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
