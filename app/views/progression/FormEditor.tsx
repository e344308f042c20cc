import type { KeptProgression } from '../../../contract';
import { MOST_FORM_TEXT } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { overSet } from '../../store/over';
import { withProgression, withText, type Form } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { PROGRESSION } from '../../words/views/progression';

type Fault = Form['faults'][number];
const MOST_SHOWN = 6;
/** What is typed and what marks it lie exactly over one another. */
const LETTERS = 'col-start-1 row-start-1 whitespace-pre-wrap break-words font-mono text-base leading-7 px-3 py-2';

/** The text cut into pieces, those that cannot be read marked. */
function piecesOf(text: string, faults: readonly Fault[]): { readonly text: string; readonly wrong: boolean }[] {
  const pieces: { readonly text: string; readonly wrong: boolean }[] = [];
  let at = 0;
  for (const f of [...faults].sort((a, b) => a.at - b.at)) {
    if (f.at < at || f.length >= text.length) continue;
    pieces.push({ text: text.slice(at, f.at), wrong: false }, { text: text.slice(f.at, f.at + f.length), wrong: true });
    at = f.at + f.length;
  }
  return [...pieces, { text: text.slice(at), wrong: false }];
}

/** Where the sign that a place lies in begins and ends. */
function wordAt(text: string, at: number): [number, number] {
  const before = /[^\s|:]*$/.exec(text.slice(0, at))?.[0].length ?? 0;
  const after = /^[^\s|:]*/.exec(text.slice(at))?.[0].length ?? 0;
  return [at - before, at + after];
}

/** The bars as typed; what cannot be read is underlined in its place, said below, and mended with a press where there is a way. */
export function FormEditor({ p, form }: { readonly p: KeptProgression; readonly form: Form }) {
  const dispatch = useAppDispatch();
  const type = (text: string): void => void dispatch(change((n) => withProgression(n.body, (now) => withText(now, text))));
  const { faults } = form;
  const mend = (f: Fault, symbol: string): void => {
    const [from, to] = wordAt(p.text, f.at);
    type(p.text.slice(0, from) + symbol + p.text.slice(to));
  };
  return (
    <section aria-label={PROGRESSION.write} className="no-print mb-3 rounded-[10px] border border-line bg-sheet p-3">
      <div className="flex items-baseline justify-between gap-3">
        <label htmlFor="form-text" className="text-xs text-soft">
          {PROGRESSION.text}
        </label>
        {faults.length === 0 && form.bars.length > 0 && (
          <Button look="quiet" onClick={() => dispatch(overSet({ writing: false }))}>
            {PROGRESSION.done}
          </Button>
        )}
      </div>
      <Typed text={p.text} faults={faults} onType={type} />
      <p id="form-how" className="mt-1 text-xs text-soft">
        {PROGRESSION.how}
      </p>
      {faults.length > 0 && <Faults text={p.text} faults={faults} onMend={mend} />}
    </section>
  );
}

interface TypedProps {
  readonly text: string;
  readonly faults: readonly Fault[];
  readonly onType: (text: string) => void;
}

/** The text, over the same text with what cannot be read underlined. */
function Typed({ text, faults, onType }: TypedProps) {
  return (
    <div className="mt-1 grid rounded-md border border-line bg-paper">
      <div aria-hidden className={`${LETTERS} pointer-events-none text-transparent`}>
        {piecesOf(text, faults).map((piece, k) => (
          <span key={k} className={piece.wrong ? 'underline decoration-clay decoration-wavy decoration-2 underline-offset-4' : ''}>
            {piece.text}
          </span>
        ))}
        {'\n'}
      </div>
      <textarea
        id="form-text"
        value={text}
        maxLength={MOST_FORM_TEXT}
        spellCheck={false}
        autoComplete="off"
        autoCapitalize="off"
        aria-invalid={faults.length > 0}
        aria-describedby="form-how"
        placeholder="| Ebmaj7 | Ab7#11 . Gm7 . | % |"
        rows={1}
        onChange={(e) => onType(e.target.value)}
        className={`${LETTERS} resize-none overflow-hidden bg-transparent text-ink placeholder:text-soft`}
      />
    </div>
  );
}

interface FaultProps {
  readonly text: string;
  readonly faults: readonly Fault[];
  readonly onMend: (fault: Fault, symbol: string) => void;
}

function Faults({ text, faults, onMend }: FaultProps) {
  return (
    <div role="alert" className="mt-2 text-[0.84375rem]">
      <p className="font-semibold text-clay">{PROGRESSION.faults(faults.length)}</p>
      <ul>
        {faults.slice(0, MOST_SHOWN).map((f, k) => (
          <li key={k} className="flex flex-wrap items-center gap-2">
            <span>
              <Signs>{f.message.startsWith('“') ? f.message : `“${text.slice(f.at, f.at + Math.min(f.length, 24))}”: ${f.message}`}</Signs>
            </span>
            {f.nearest.map((symbol) => (
              <Button key={symbol} look="link" aria-label={PROGRESSION.write0(symbol)} onClick={() => onMend(f, symbol)}>
                <span>
                  <Signs>{symbol}</Signs>
                </span>
              </Button>
            ))}
          </li>
        ))}
      </ul>
      {faults.length > MOST_SHOWN && <p className="text-soft">{PROGRESSION.more(faults.length - MOST_SHOWN)}</p>}
    </div>
  );
}
