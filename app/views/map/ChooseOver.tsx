import type { ScaleRef } from '../../../core';
import { useOwnScales } from '../../store/own-scales';
import { Button } from '../../ui/Button';
import { Chooser } from '../../ui/Chooser';
import { Signs } from '../../letters/Signs';
import { matchScales, scaleName } from '../../words/scale-text';
import { MAP } from '../../words/views/map';

export interface OverChoice {
  readonly scale: ScaleRef;
  readonly over: ScaleRef | null;
  readonly onOver: (over: ScaleRef | null) => void;
}

/** Which scale is laid over the first, or that none is. */
export function ChooseOver({ scale, over, onOver, close }: OverChoice & { readonly close: () => void }) {
  const own = useOwnScales();
  const find = (text: string) => {
    const mine = own.filter((o) => o.name.toLowerCase().includes(text.toLowerCase())).map((o) => ({ key: o.name, value: { tonic: scale.tonic, scale: o.degrees }, title: `${scale.tonic} ${o.name}`, detail: o.degrees.join(' ') })); // prettier-ignore
    const known = matchScales(text, scale).map((value) => ({ key: JSON.stringify(value), value, title: scaleName(value) }));
    return text.trim() ? [...mine, ...known] : [...known, ...mine];
  };
  return (
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
  );
}
