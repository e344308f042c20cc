/** What the shell shows only at times: one file, which loads once the first view is there. */
export { NewVersion } from './NewVersion';
export { Panels } from './ShellPanels';
export { StepNote } from './StepNote';
