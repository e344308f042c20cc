import type { Instrument, ScaleRef, Shape } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { noRootWords, readRoot, rootsFor, rootWords, type RootWish } from '../../words/root-text';
import { MAP } from '../../words/views/map';

interface Props {
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
  readonly shapes: Shape[];
  readonly root: RootWish;
  readonly onRoot: (root: RootWish) => void;
}

/** Where the root lies, and under which finger: the hand goes to the rung that has it. */
export function RootPart({ instrument, scale, shapes, root, onRoot }: Props) {
  const read = (text: string) => readRoot(text, instrument, scale);
  return (
    <SentencePart name="root" text={rootWords(root)} shortcut="r">
      {(close) => (
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
      )}
    </SentencePart>
  );
}
