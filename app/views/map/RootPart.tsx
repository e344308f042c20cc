import type { Place, Shape } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';

interface Props {
  shapes: Shape[];
  root: Place;
  onRoot: (root: Place) => void;
}

const words = (p: Place): string => `string ${p.string}, fret ${p.fret}`;

/** Lowest roots of all rungs, from the lowest string up. */
function choices(shapes: Shape[]): Place[] {
  const all = new Map(shapes.flatMap((s) => s.roots).map((r) => [words(r), r]));
  return [...all.values()].sort((a, b) => b.string - a.string || a.fret - b.fret);
}

const matches = (p: Place, text: string): boolean => {
  const numbers = text.match(/\d+/g)?.map(Number) ?? [];
  const [first, second] = numbers;
  return numbers.length === 0 || (numbers.length === 1 ? p.string === first || p.fret === first : p.string === first && p.fret === second);
};

/** Where the root lies: the hand goes to the rung that has it. */
export function RootPart({ shapes, root, onRoot }: Props) {
  return (
    <SentencePart name="root" text={words(root)} shortcut="r">
      {(close) => (
        <Chooser<Place>
          label="Root place: string, then fret"
          placeholder="5 9"
          find={(text) => choices(shapes).filter((p) => matches(p, text)).map((p) => ({ key: words(p), value: p, title: words(p) }))} // prettier-ignore
          onChoose={(value) => { onRoot(value); close(); }} // prettier-ignore
          current={words(root)}
          empty="No shape has a root there. Give a string and a fret that sound the tonic."
          render={(text) => text}
        />
      )}
    </SentencePart>
  );
}
