import { useId } from 'react';
import { USUAL_WEIGHTS, type RouteWeights } from '../../../core';
import { Button } from '../../ui/Button';
import { SentencePart } from '../../ui/SentencePart';
import { WEIGHT_WORDS } from '../../words/route-text';
import { CONNECT } from '../../words/views/connect';

interface Props {
  readonly weights: RouteWeights;
  readonly onWeights: (weights: RouteWeights) => void;
}

const changed = (w: RouteWeights): number => WEIGHT_WORDS.filter(({ key }) => w[key] !== USUAL_WEIGHTS[key]).length;

/** What the player minds more or less along the neck. */
export function WeightsPart({ weights, onWeights }: Props) {
  const n = changed(weights);
  return (
    <SentencePart
      name="what counts"
      look="chip"
      shortcut="c"
      text={
        <>
          <span className="text-soft">{CONNECT.whatCounts}</span>
          <b className="font-semibold">{n ? CONNECT.changed(n) : CONNECT.asUsual}</b>
        </>
      }
    >
      {() => (
        <>
          {WEIGHT_WORDS.map((w) => (
            <Slider key={w.key} words={w} value={weights[w.key]} onChange={(value) => onWeights({ ...weights, [w.key]: value })} />
          ))}
          <Button disabled={!n} onClick={() => onWeights({ ...USUAL_WEIGHTS })}>
            {CONNECT.asUsual2}
          </Button>
        </>
      )}
    </SentencePart>
  );
}

interface SliderProps {
  readonly words: (typeof WEIGHT_WORDS)[number];
  readonly value: number;
  readonly onChange: (value: number) => void;
}

function Slider({ words: { name, less, more, min, max }, value, onChange }: SliderProps) {
  const id = useId();
  const says = `${name}: ${value === 0 && min < 0 ? 'either' : value}, from ${less} to ${more}`;
  return (
    <div className="grid grid-cols-[7rem_1fr] items-center gap-x-2">
      <label htmlFor={id} className="row-span-2">
        {name}
      </label>
      <input
        id={id}
        type="range"
        min={min}
        max={max}
        step={0.25}
        value={value}
        aria-valuetext={says}
        onChange={(e) => onChange(Number(e.target.value))}
        className="w-full accent-brass"
      />
      <span className="flex justify-between text-xs text-soft">
        <span>{less}</span>
        <span>{more}</span>
      </span>
    </div>
  );
}
