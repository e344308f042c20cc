import { COMING } from '../../ui/coming';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { layoutWords } from '../../words/layout-text';
import type { LayoutChoice } from './ChooseLayout';

const ChooseLayout = later(async () => (await import('./choosers')).ChooseLayout, COMING);

/** How the neck is cut into shapes, and what that way lets one set. */
export function LayoutPart(choice: LayoutChoice) {
  return (
    <SentencePart name="layout" text={layoutWords(choice.layout)} shortcut="y" wide>
      {(close) => <ChooseLayout {...choice} close={close} />}
    </SentencePart>
  );
}
