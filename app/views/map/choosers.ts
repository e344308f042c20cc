/** What the parts of the Map's sentence and its chips open: one file, which loads once the first view is there. */
export { ChooseFocus } from './ChooseFocus';
export { ChooseLayout } from './ChooseLayout';
export { ChooseOver } from './ChooseOver';
export { ChooseRoot } from './ChooseRoot';
export { ChooseScale } from './ChooseScale';
export { ChooseShownChord } from './ChooseShownChord';
export { ChooseTuning } from './ChooseTuning';
export { ChooseUnder } from './ChooseUnder';
