import type { Said } from './said';

/** The words of Versions, in one place, so that they can be put into another language. */
export const VERSIONS = {
  theVersionsCannotBeShown: (refusal: Said) => `The versions cannot be shown: ${refusal}`,
  lookingForEarlierVersions: 'Looking for earlier versions …',
  earlierVersionsOf: (name: Said) => `Earlier versions of “${name}”`,
  eachSaveOfTheLast:
    'Each save of the last ten minutes, then one an hour for a day and one a day for three months. Going back can be undone like any other change.',
  noEarlierVersionYetOne: 'No earlier version yet: one is put away with every save.',
  versionsNewestFirst: 'Versions, newest first',
  before: (change: Said) => `before: ${change}`,
  theStudyCouldNotBe: 'The study could not be opened: it is gone, or the server does not answer.',
  thisVersionCannotBeShown: (refusal: Said) => `This version cannot be shown: ${refusal}`,
  unpacking: 'Unpacking …',
  thisVersionCannotBeUsed: (message: Said) => `This version cannot be used any more: ${message}`,
  goBackToThisVersion: 'Go back to this version',
  theNeckThen: 'The neck then',
  theNeckThen2: (scaleName: Said) => `The neck then: ${scaleName}`,
} as const;
