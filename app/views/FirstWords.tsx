import { openPanel } from '../shell/panels';
import { setPrefs, usePrefs } from '../store/prefs';
import { lineOf } from '../words/own-words';
import { STUDY } from '../words/views/study';

/** The first own word in sight whose line this player has not read, in one line; then the next. */
export function FirstWords({ words }: { readonly words: readonly string[] }) {
  const { read } = usePrefs();
  const word = words.find((w) => !read.includes(w));
  const line = word === undefined ? undefined : lineOf(word);
  if (!line) return null;
  return (
    <p className="no-print flex flex-wrap items-center gap-x-3 rounded-md bg-feather-wash px-2 py-1 text-xs" data-word={line.word}>
      <span>
        <b className="font-semibold">{line.word}</b>
        {line.usual && ` (${line.usual})`}: {line.says}
      </span>
      <button type="button" className="tap cursor-pointer text-feather underline" onClick={() => setPrefs({ read: [...read, line.word] })}>
        {STUDY.gotIt}
      </button>
      <button type="button" className="tap cursor-pointer text-feather underline" onClick={() => openPanel('words')}>
        {STUDY.allWords}
      </button>
    </p>
  );
}
