import type { Layout, Place, Start } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { layoutWords, matchLayouts } from '../../words/layout-text';
import { LayoutControls } from './LayoutControls';

interface Props {
  layout: Layout;
  roots: Place[];
  /** Where a layout that hangs on a root begins. */
  start: Start;
  onLayout: (layout: Layout) => void;
}

/** How the neck is cut into shapes, and what that way lets one set. */
export function LayoutPart({ layout, roots, start, onLayout }: Props) {
  return (
    <SentencePart name="layout" text={layoutWords(layout)} shortcut="y" wide>
      {(close) => (
        <>
          <Chooser<Layout>
            label="How to cut the neck"
            placeholder="boxes, 3 notes, diagonal 6 5"
            find={(text) =>
              matchLayouts(text, start, roots).map((c) => ({ key: c.title, value: c.layout, title: c.title, detail: c.detail }))
            }
            onChoose={(value) => { onLayout(value); close(); }} // prettier-ignore
            current={layoutWords(layout)}
            empty="No layout of that name. Try boxes, patterns, notes a string, one finger, string, octaves, diagonal, split, region or grown; a root place may follow, such as diagonal 6 5."
            render={(text) => text}
          />
          <LayoutControls layout={layout} instrument={start.instrument} roots={roots} onLayout={onLayout} />
        </>
      )}
    </SentencePart>
  );
}
