import type { ScaleRef } from '../../../core';
import { useOwnScales } from '../../store/own-scales';
import { Button } from '../../ui/Button';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { matchScales, scaleName } from '../../words/scale-text';
import { MAP } from '../../words/views/map';

interface Props {
  readonly scale: ScaleRef;
  readonly over: ScaleRef | null;
  readonly onOver: (over: ScaleRef | null) => void;
}

/** A second scale laid over the first in the same place. */
export function OverPart({ scale, over, onOver }: Props) {
  const own = useOwnScales();
  const find = (text: string) => {
    const mine = own.filter((o) => o.name.toLowerCase().includes(text.toLowerCase())).map((o) => ({ key: o.name, value: { tonic: scale.tonic, scale: o.degrees }, title: `${scale.tonic} ${o.name}`, detail: o.degrees.join(' ') })); // prettier-ignore
    const known = matchScales(text, scale).map((value) => ({ key: JSON.stringify(value), value, title: scaleName(value) }));
    return text.trim() ? [...mine, ...known] : [...known, ...mine];
  };
  return (
    <SentencePart
      name="scale laid over"
      look="chip"
      fixed="w-40"
      shortcut="o"
      text={
        <>
          <span className="text-soft">{MAP.overIt}</span>
          <b className="font-semibold">
            <Signs>{over ? scaleName(over) : MAP.nothing}</Signs>
          </b>
        </>
      }
    >
      {(close) => (
        <>
          {over && (
            <Button
              look="link"
              onClick={() => {
                onOver(null);
                close();
              }}
            >
              {MAP.takeItOff}
            </Button>
          )}
          <Chooser<ScaleRef>
            label={MAP.layASecondScaleOver}
            placeholder={MAP.minorPentOrDDorian}
            find={find}
            onChoose={(value) => { onOver(value); close(); }} // prettier-ignore
            empty={MAP.noScaleOfThatName}
            render={(text) => <Signs>{text}</Signs>}
          />
        </>
      )}
    </SentencePart>
  );
}
