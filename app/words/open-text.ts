/** Why a study could not be opened. */
export const OPENING_WORDS = {
  missing: 'That study is gone; it may have been deleted in another window.',
  offline: 'The server does not answer. Start it again with npm start; nothing is lost.',
  'not-let-in': 'This device is not let in, or no more. Load the page again and type in the code.',
  damaged: 'That study is damaged and cannot be read. The Notebook can export it as it is, or delete it; its earlier versions may hold.',
};
