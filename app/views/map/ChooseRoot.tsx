import type { Instrument, ScaleRef, Shape } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { Signs } from '../../letters/Signs';
import { noRootWords, readRoot, rootsFor } from '../../words/root-read';
import { rootWords, type RootWish } from '../../words/root-text';
import { MAP } from '../../words/views/map';

export interface RootChoice {
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
  readonly shapes: Shape[];
  readonly root: RootWish;
  readonly onRoot: (root: RootWish) => void;
}

/** Places of the root, typed by string, fret and finger, or by some of them. */
export function ChooseRoot({ instrument, scale, shapes, root, onRoot, close }: RootChoice & { readonly close: () => void }) {
  const read = (text: string) => readRoot(text, instrument, scale);
  return (
    <Chooser<RootWish>
      label={MAP.rootPlaceStringFretAnd}
      placeholder={MAP.n65Or65}
      find={(text) => rootsFor(read(text), shapes).map((p) => ({ key: rootWords(p), value: p, title: rootWords(p) }))}
      onChoose={(value) => {
        onRoot(value);
        close();
      }}
      current={rootWords(root)}
      empty={(text) => noRootWords(read(text))}
      render={(text) => <Signs>{text}</Signs>}
    />
  );
}
