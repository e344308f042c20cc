import type { Instrument, Layout, ScaleRef } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { Signs } from '../../letters/Signs';
import { readGrip, type Under } from '../../words/grip-text';
import { MAP } from '../../words/views/map';

export interface GripChoice {
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
  readonly layout: Layout;
  readonly onUnder: (under: Under) => void;
}

/** A grip as it is typed, and the shapes that lie under it. */
export function ChooseUnder({ instrument, scale, layout, onUnder, close }: GripChoice & { readonly close: () => void }) {
  const read = (text: string) => readGrip(text, instrument, scale, layout);
  return (
    <Chooser<Under>
      label={MAP.aGripThickestStringFirst}
      placeholder="x57765"
      find={(text) => {
        const answer = read(text);
        return 'found' in answer
          ? answer.found.map((u) => ({ key: `${u.detail} ${u.title}`, value: u, title: u.title, detail: u.detail }))
          : [];
      }}
      onChoose={(under) => {
        onUnder(under);
        close();
      }}
      empty={(text) => {
        const answer = read(text);
        return 'problem' in answer ? answer.problem : '';
      }}
      render={(text) => <Signs>{text}</Signs>}
    />
  );
}
