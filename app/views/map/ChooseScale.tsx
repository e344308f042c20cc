import { chromaOf, degreesOf, easierTonic, isScale, type ScaleRef } from '../../../core';
import type { OwnScale } from '../../../contract';
import { useOwnScales } from '../../store/own-scales';
import { Chooser } from '../../ui/Chooser';
import { Signs } from '../../letters/Signs';
import { askedScale, matchScales, scaleName, splitScaleText, tonicsFor } from '../../words/scale-text';
import { isolated } from '../../words/name-text';
import { MAP } from '../../words/views/map';

export interface ScaleChoice {
  readonly scale: ScaleRef;
  readonly onScale: (scale: ScaleRef) => void;
}

const stepsOf = (ref: ScaleRef): string => (Array.isArray(ref.scale) ? ref.scale.join(' ') : ref.scale);

const choiceOf = (value: ScaleRef) => ({ key: stepsOf(value), value, title: askedScale(value), detail: degreesOf(value.scale).join(' ') });

/** What was typed, in the catalogue and among the player's own scales ("G grit"); one's own come first where their name begins so. */
function choices(text: string, scale: ScaleRef, own: OwnScale[]) {
  const mine = ownChoices(text, scale, own);
  const begun = mine.filter((c) => c.begun);
  return [...begun, ...matchScales(text, scale).map(choiceOf), ...mine.filter((c) => !c.begun)];
}

/** The player's own scales whose names hold what was typed, on the tonic before it if one was typed. */
function ownChoices(text: string, scale: ScaleRef, own: OwnScale[]) {
  const typed = text.trim().toLowerCase();
  const { tonic, words } = splitScaleText(text);
  const found = (name: string): string | null => {
    if (name.toLowerCase().includes(typed)) return scale.tonic;
    return tonic !== null && name.toLowerCase().includes(words.toLowerCase()) ? tonic : null;
  };
  return own.flatMap((o) => {
    const on = found(o.name);
    const begun = [typed, tonic === null ? '' : words.toLowerCase()].some((t) => t !== '' && o.name.toLowerCase().startsWith(t));
    return on ? [{ ...choiceOf({ tonic: on, scale: o.degrees }), key: `own ${o.name}`, title: `${on} ${isolated(o.name)}`, begun }] : [];
  });
}

/** Twelve tonics to click, or tonic and scale typed in one go. */
export function ChooseScale({ scale, onScale, close }: ScaleChoice & { readonly close: () => void }) {
  const own = useOwnScales();
  const easier = isScale(scale.scale) ? easierTonic(scale) : null;
  return (
    <>
      <Chooser<ScaleRef>
        label={MAP.typeATonicAndA}
        placeholder={MAP.bbMixoOrF1}
        find={(text) => choices(text, scale, own)}
        onChoose={(value) => { onScale(value); close(); }} // prettier-ignore
        current={stepsOf(scale)}
        empty={MAP.noScaleOfThatName2}
        render={(text) => <Signs>{text}</Signs>}
      />
      <div role="group" aria-label={MAP.tonic} className="grid grid-cols-6 gap-1">
        {tonicsFor(isScale(scale.scale) ? scale.scale : 'ionian').map((tonic) => (
          <button
            key={tonic}
            type="button"
            aria-pressed={chromaOf(tonic) === chromaOf(scale.tonic)}
            onClick={() => onScale({ ...scale, tonic })}
            className="min-h-9 rounded border border-line aria-pressed:border-brass-deep aria-pressed:bg-brass aria-pressed:font-semibold aria-pressed:text-brass-ink hover:border-soft"
          >
            <Signs>{tonic}</Signs>
          </button>
        ))}
      </div>
      {easier && (
        <button
          type="button"
          onClick={() => onScale({ ...scale, tonic: easier })}
          className="rounded border border-feather px-2 py-1.5 text-feather hover:bg-feather-wash"
        >
          <Signs>{MAP.writeItAsFewerAccidentals(scaleName({ ...scale, tonic: easier }))}</Signs>
        </button>
      )}
    </>
  );
}
