import { OWN_WORDS } from '../words/own-words';

/** The words that are this tool's own, each in a line, beside what players usually call it. */
export function WordList() {
  return (
    <dl className="grid gap-2 text-sm sm:grid-cols-[max-content_1fr] sm:gap-x-4">
      {OWN_WORDS.map(({ word, usual, says }) => (
        <div key={word} className="contents">
          <dt className="font-semibold">
            {word}
            {usual && <span className="ml-2 font-normal text-soft">{usual}</span>}
          </dt>
          <dd className="max-sm:mb-1">{says}</dd>
        </div>
      ))}
    </dl>
  );
}
