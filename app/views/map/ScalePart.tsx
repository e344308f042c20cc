import { useOwnScales } from '../../store/own-scales';
import { COMING } from '../../ui/coming';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { askedScale } from '../../words/scale-text';
import type { ScaleChoice } from './ChooseScale';

const ChooseScale = later(async () => (await import('./choosers')).ChooseScale, COMING);

/** Tonic and scale. */
export function ScalePart(choice: ScaleChoice) {
  const own = useOwnScales();
  return (
    <SentencePart name="tonic and scale" text={<Signs>{askedScale(choice.scale, own)}</Signs>} shortcut="s" wide>
      {(close) => <ChooseScale {...choice} close={close} />}
    </SentencePart>
  );
}
