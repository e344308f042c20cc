import type { Layout } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { layoutWords, matchLayouts } from '../../words/layout-text';

/** How the neck is cut into shapes. */
export function LayoutPart({ layout, onLayout }: { layout: Layout; onLayout: (layout: Layout) => void }) {
  return (
    <SentencePart name="layout" text={layoutWords(layout)} shortcut="y">
      {(close) => (
        <Chooser<Layout>
          label="How to cut the neck"
          placeholder="boxes, 3 notes, one finger"
          find={(text) => matchLayouts(text).map((c) => ({ key: c.title, value: c.layout, title: c.title, detail: c.detail }))}
          onChoose={(value) => { onLayout(value); close(); }} // prettier-ignore
          current={layoutWords(layout)}
          empty="No layout of that name. Try boxes, patterns, notes a string, or one finger per fret."
          render={(text) => text}
        />
      )}
    </SentencePart>
  );
}
