import type { Layout, Place, Start } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { layoutWords, matchLayouts } from '../../words/layout-text';
import { LayoutControls } from './LayoutControls';
import { MAP } from '../../words/views/map';

export interface LayoutChoice {
  readonly layout: Layout;
  readonly roots: Place[];
  /** Where a layout that hangs on a root begins. */
  readonly start: Start;
  readonly onLayout: (layout: Layout) => void;
}

/** The ways of cutting the neck, and what the chosen one lets one set. */
export function ChooseLayout({ layout, roots, start, onLayout, close }: LayoutChoice & { readonly close: () => void }) {
  return (
    <>
      <Chooser<Layout>
        label={MAP.howToCutTheNeck}
        placeholder={MAP.boxes3NotesDiagonal6}
        find={(text) => matchLayouts(text, start, roots).map((c) => ({ key: c.title, value: c.layout, title: c.title, detail: c.detail }))}
        onChoose={(value) => { onLayout(value); close(); }} // prettier-ignore
        current={layoutWords(layout)}
        empty={MAP.noLayoutOfThatName}
        render={(text) => text}
      />
      <LayoutControls layout={layout} instrument={start.instrument} roots={roots} onLayout={onLayout} />
    </>
  );
}
