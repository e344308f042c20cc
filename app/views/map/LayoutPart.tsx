import type { Layout, Place, Start } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { layoutWords, matchLayouts } from '../../words/layout-text';
import { LayoutControls } from './LayoutControls';
import { MAP } from '../../words/views/map';

interface Props {
  readonly layout: Layout;
  readonly roots: Place[];
  /** Where a layout that hangs on a root begins. */
  readonly start: Start;
  readonly onLayout: (layout: Layout) => void;
}

/** How the neck is cut into shapes, and what that way lets one set. */
export function LayoutPart({ layout, roots, start, onLayout }: Props) {
  return (
    <SentencePart name="layout" text={layoutWords(layout)} shortcut="y" wide>
      {(close) => (
        <>
          <Chooser<Layout>
            label={MAP.howToCutTheNeck}
            placeholder={MAP.boxes3NotesDiagonal6}
            find={(text) =>
              matchLayouts(text, start, roots).map((c) => ({ key: c.title, value: c.layout, title: c.title, detail: c.detail }))
            }
            onChoose={(value) => { onLayout(value); close(); }} // prettier-ignore
            current={layoutWords(layout)}
            empty={MAP.noLayoutOfThatName}
            render={(text) => text}
          />
          <LayoutControls layout={layout} instrument={start.instrument} roots={roots} onLayout={onLayout} />
        </>
      )}
    </SentencePart>
  );
}
