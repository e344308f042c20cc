import { useState } from 'react';
import { WAYS, type Connection, type Way } from '../../../contract';
import { nutFret, type Instrument } from '../../../core';
import { Button } from '../../ui/Button';
import { Chooser } from '../../ui/Chooser';
import { NumberField } from '../../ui/NumberField';
import { SentencePart } from '../../ui/SentencePart';
import { Segmented } from '../../ui/Segmented';
import { pitchesText, readPitches } from '../../words/end-text';
import { WAY_WORDS } from '../../words/route-text';
import { CONNECT } from '../../words/views/connect';

interface Props {
  readonly asked: Connection;
  readonly instrument: Instrument;
  readonly onAsk: (fields: Partial<Connection>) => void;
}

/** How many strings a way takes; those not named here take none. */
const STRINGS: Partial<Record<Way, { readonly most: number; readonly says: string }>> = {
  seam: { most: 12, says: 'Change hands on' },
  'one-string': { most: 1, says: 'Go along' },
  'string-pair': { most: 2, says: 'Stay on' },
  'merge-skip': { most: 12, says: 'Use' },
  best: { most: 12, says: 'Use' },
};

const byWords = (asked: Connection): string => {
  if (asked.way !== 'best') return WAY_WORDS[asked.way].by;
  return asked.motion === 'thirds'
    ? 'the best route in thirds'
    : asked.motion === 'given'
      ? 'the best route through pitches'
      : WAY_WORDS.best.by;
};

/** The way from rung to rung, and what that way lets one set. */
export function ByPart({ asked, instrument, onAsk }: Props) {
  return (
    <SentencePart name="way" text={byWords(asked)} shortcut="w" wide>
      {(close) => (
        <>
          <Chooser<Way>
            label={CONNECT.howToGetThere}
            placeholder={CONNECT.seamPairDiagonalBest}
            find={(text) =>
              WAYS.filter((w) => `${WAY_WORDS[w].chip} ${WAY_WORDS[w].by}`.toLowerCase().includes(text.trim().toLowerCase())).map((w) => ({
                key: w,
                value: w,
                title: WAY_WORDS[w].chip,
                detail: WAY_WORDS[w].does,
              }))
            }
            onChoose={(way) => { onAsk({ way, strings: [] }); close(); }} // prettier-ignore
            current={asked.way}
            empty={CONNECT.noWayOfThatName}
            render={(t) => t}
          />
          {STRINGS[asked.way] && <StringsField asked={asked} instrument={instrument} onAsk={onAsk} />}
          {asked.way === 'best' && <BestFields asked={asked} instrument={instrument} onAsk={onAsk} />}
        </>
      )}
    </SentencePart>
  );
}

/** Which strings the way is to use; the last one chosen pushes out the first where a way takes only so many. */
function StringsField({ asked, instrument, onAsk }: Props) {
  const { most, says } = STRINGS[asked.way] ?? { most: 12, says: '' };
  const toggle = (s: number): void => {
    const next = asked.strings.includes(s) ? asked.strings.filter((x) => x !== s) : [...asked.strings, s].slice(-most);
    onAsk({ strings: next });
  };
  return (
    <fieldset className="flex flex-wrap items-center gap-1">
      <legend className="mb-1 text-xs text-soft">
        {says} {CONNECT.theseStringsNoneChosenWhichever}
      </legend>
      {instrument.strings.map((_, k) => (
        <button
          key={k}
          type="button"
          className="chip"
          aria-pressed={asked.strings.includes(k + 1)}
          aria-label={CONNECT.string(k + 1)}
          onClick={() => toggle(k + 1)}
        >
          {k + 1}
        </button>
      ))}
    </fieldset>
  );
}

const MOTIONS = [
  { value: 'run', label: CONNECT.scaleRun },
  { value: 'thirds', label: CONNECT.inThirds },
  { value: 'given', label: CONNECT.givenPitches },
] as const;

function BestFields({ asked, instrument, onAsk }: Props) {
  const nut = nutFret(instrument);
  const { within } = asked;
  const from = within?.fromFret ?? nut;
  const to = within?.toFret ?? instrument.frets;
  return (
    <>
      <Segmented label={CONNECT.whatTheLineDoes} value={asked.motion} options={MOTIONS} onChange={(motion) => onAsk({ motion })} />
      {asked.motion === 'given' && <PitchField asked={asked} instrument={instrument} onAsk={onAsk} />}
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-3">
        <NumberField
          label={CONNECT.fromFret}
          value={from}
          min={nut}
          max={to}
          onChange={(fromFret) => onAsk({ within: { fromFret, toFret: to } })}
        />
        <NumberField
          label={CONNECT.toFret}
          value={to}
          min={from}
          max={instrument.frets}
          onChange={(toFret) => onAsk({ within: { fromFret: from, toFret } })}
        />
        <Button disabled={!within} onClick={() => onAsk({ within: null })}>
          {CONNECT.wholeNeck}
        </Button>
      </div>
    </>
  );
}

function PitchField({ asked, instrument, onAsk }: Props) {
  const [text, setText] = useState(() => pitchesText(asked.pitches));
  const read = readPitches(text, instrument);
  const why = 'why' in read ? read.why : null;
  return (
    <label className="flex flex-col gap-1 text-xs text-soft">
      {CONNECT.pitchesInTheOrderThey}
      <textarea
        rows={2}
        value={text}
        spellCheck={false}
        placeholder="F#3 A3 B3 C#4"
        aria-invalid={text.trim() !== '' && why !== null}
        onChange={(e) => {
          setText(e.target.value);
          const next = readPitches(e.target.value, instrument);
          if ('pitches' in next) onAsk({ pitches: next.pitches });
        }}
        className="num rounded-md border border-line bg-paper px-2 py-1.5 text-sm text-ink aria-invalid:border-2 aria-invalid:border-clay"
      />
      {text.trim() !== '' && why && (
        <span role="alert" className="text-clay">
          {why}
        </span>
      )}
    </label>
  );
}
