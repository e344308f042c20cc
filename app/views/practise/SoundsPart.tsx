import { DRILL_WORDS, type DrillForm } from '../../../contract';
import { CLICKS, type Click } from '../../../core';
import type { Sounds } from '../../sound/drill-score';
import { soundPrefs } from '../../sound/output-prefs';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { withForm } from '../../store/practice/edit';
import { practisePrefs, setPractisePrefs } from '../../store/practice/practise-prefs';
import { Segmented } from '../../ui/Segmented';
import { SentencePart } from '../../ui/SentencePart';
import { SAY_WORDS } from '../../words/drill-text';
import { PRACTISE } from '../../words/views/practise';
import { Check, Chooser } from './Choices';

const Chip = ({ word, value, soft = true }: { readonly word: string; readonly value: string; readonly soft?: boolean }) => (
  <>
    <span className={soft ? 'text-soft' : ''}>{word}:</span> <b className="font-semibold">{value}</b>
  </>
);

const SOUNDS = (['both', 'clicks', 'notes'] as const).map((value) => ({ value, label: PRACTISE.soundsAre[value] }));
const CLICK_OPTIONS = CLICKS.map((value) => ({ value, label: PRACTISE.clickSounds[value] }));

/** What sounds, how loud, and at which speed. */
export function SoundsPart({ half, onHalf }: { readonly half: boolean; readonly onHalf: (half: boolean) => void }) {
  const { sounds, dry } = practisePrefs.use();
  const sound = soundPrefs.use();
  const set = (fields: Partial<typeof sound>): void => void soundPrefs.set({ ...sound, ...fields });
  return (
    <SentencePart
      name="sounds"
      look="chip"
      text={<Chip word={PRACTISE.sounds} value={`${PRACTISE.soundsAre[sounds]}${half ? ', half speed' : ''}`} />}
    >
      {() => (
        <>
          <Chooser<Sounds>
            label={PRACTISE.sounds}
            value={sounds}
            options={SOUNDS}
            onChange={(next) => setPractisePrefs({ sounds: next })}
          />
          <Segmented<Click> label={PRACTISE.clickSound} value={sound.click} options={CLICK_OPTIONS} onChange={(click) => set({ click })} />
          <Volume label={PRACTISE.notesVolume} value={sound.notes} onChange={(notes) => set({ notes })} />
          <Volume label={PRACTISE.clicksVolume} value={sound.clicks} onChange={(clicks) => set({ clicks })} />
          <Check label={PRACTISE.halfSpeed} checked={half} onChange={onHalf} />
          <Check label={PRACTISE.dry} checked={dry} onChange={(next) => setPractisePrefs({ dry: next })} />
          <p className="text-xs text-soft">{PRACTISE.dryHint}</p>
          <p className="text-xs text-soft">{PRACTISE.loud}</p>
        </>
      )}
    </SentencePart>
  );
}

const Volume = ({
  label,
  value,
  onChange,
}: {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}) => (
  <label className="flex flex-col gap-1 text-xs text-soft">
    {label}
    <input
      type="range"
      min={0}
      max={100}
      step={1}
      value={Math.round(value * 100)}
      onChange={(e) => onChange(Number(e.target.value) / 100)}
      className="accent-brass"
    />
  </label>
);

/** What is said in time. */
export function SayPart({ form }: { readonly form: DrillForm }) {
  const dispatch = useAppDispatch();
  const on = (fields: Partial<DrillForm>): void => void dispatch(change(({ body }) => withForm(body, () => fields)));
  const value = `${SAY_WORDS[form.words]}${form.hidden ? `, ${PRACTISE.hiddenChip}` : ''}`;
  return (
    <SentencePart name="say" look="chip" text={<Chip word={PRACTISE.say} value={value} />}>
      {() => (
        <>
          <Chooser<DrillForm['words']>
            label={PRACTISE.say}
            value={form.words}
            options={DRILL_WORDS.map((words) => ({ value: words, label: SAY_WORDS[words] }))}
            onChange={(words) => on({ words })}
          />
          <Check label={PRACTISE.hidden} checked={form.hidden} onChange={(hidden) => on({ hidden })} />
        </>
      )}
    </SentencePart>
  );
}

/** A bar of count-in, or none: a press. */
export function CountInChip() {
  const { countIn } = practisePrefs.use();
  return (
    <button type="button" className="chip text-[0.78125rem]" aria-pressed={countIn} onClick={() => setPractisePrefs({ countIn: !countIn })}>
      <Chip word={PRACTISE.countIn} value={countIn ? PRACTISE.oneBar : PRACTISE.noBar} soft={!countIn} />
    </button>
  );
}
