import { useState } from 'react';
import type { StudyBody } from '../../../contract';
import type { Shape } from '../../../core';
import { pageSize, type Paper, type Turn } from '../../../formats/sheet/drawing';
import type { Ink } from '../../../formats/sheet/diagram';
import { shapesCsv } from '../../../formats/csv';
import { neckText } from '../../../formats/neck-text';
import type { PaperRequest } from '../../../formats/sheet/pages';
import type { SheetRequest } from '../../../formats/sheet/sheet';
import type { TabSheetRequest } from '../../../formats/sheet/tab';
import { drawnGrip, lineOfKept, lineOfLick, sheetOf, tabSheetOf } from '../../files/papers';
import { askedPrint, PRINTS } from '../../shell/print-ask';
import { Button } from '../../ui/Button';
import { copyText } from '../../ui/clipboard';
import { download, fileName } from '../../ui/files';
import { printSvgs, saveSvgs } from '../../ui/print';
import { Select } from '../../ui/Select';
import { scaleName } from '../../words/scale-text';
import { useSheet } from '../../workers/useSheet';
import { PaperChoice } from '../PaperChoice';
import { counted } from '../../words/count-text';
import { missingLetters } from '../../../formats/sheet/letters';
import { missingWords } from '../../words/incoming-text';
import { HANDOUT } from '../../words/views/handout';
import { MAP } from '../../words/views/map';
import { useGo } from '../useGo';

interface Choice {
  readonly what: SheetRequest['what'] | 'study';
  readonly copies: boolean;
  readonly paper: Paper;
  readonly turn: Turn;
  readonly ink: Ink;
}

/** Kept routes and licks of the study, as they stand, after its shapes. */
function linesOf(body: StudyBody, { paper, turn }: Choice): TabSheetRequest[] {
  const routes = body.routes.map((r) => lineOfKept(r, body.tempo));
  const licks = body.licks.filter((l) => l.notes.length).map((l) => lineOfLick(body, l));
  return [...routes, ...licks].map((line) => tabSheetOf(body, line, paper, turn));
}

const paperOf = (body: StudyBody, shape: Shape, { what, ...choice }: Choice): PaperRequest => {
  const shapes = sheetOf(body, { ...choice, what: what === 'study' ? 'rungs' : what, shapeId: shape.id });
  if (what !== 'study') return { shapes };
  const { paper, turn } = choice;
  const grips = body.grips.flatMap((g) => drawnGrip(body, g) ?? []);
  return { shapes, lines: linesOf(body, { what, ...choice }), grips: { name: body.name, instrument: body.instrument, grips, paper, turn } };
};

/** What goes on paper, and on which. */
function Choices({ choice, onChoice: set }: { readonly choice: Choice; readonly onChoice: (change: Partial<Choice>) => void }) {
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <Select<Choice['what']>
          label={MAP.what}
          value={choice.what}
          options={PRINTS.map(({ what, says }) => ({ value: what, label: says }))}
          onChange={(what) => set({ what })}
        />
        <Select<Ink>
          label={MAP.ink}
          value={choice.ink}
          options={[
            { value: 'black', label: MAP.blackAndWhite },
            { value: 'colour', label: MAP.colour },
          ]}
          onChange={(ink) => set({ ink })}
        />
      </div>
      <PaperChoice paper={choice.paper} turn={choice.turn} onPaper={(paper) => set({ paper })} onTurn={(turn) => set({ turn })} />
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="accent-brass"
          checked={choice.copies}
          disabled={choice.what === 'shape'}
          onChange={(e) => set({ copies: e.target.checked })}
        />
        {MAP.copiesTwelveFretsAwayToo}
      </label>
    </>
  );
}

interface Making extends Props {
  readonly choice: Choice;
  readonly busy: boolean;
  readonly name: string;
  readonly size: ReturnType<typeof pageSize>;
  readonly svgs: (take: (svgs: string[]) => Promise<void> | void) => Promise<void>;
  readonly pdf: () => Promise<void>;
  readonly copyNeck: () => Promise<void>;
}

/** What can be made of it. */
function Makes({ choice, body, shape, shapes, busy, name, size, svgs, pdf, copyNeck }: Making) {
  return (
    <div className="flex flex-wrap gap-2">
      <Button look="brass" disabled={busy} onClick={() => void svgs((s) => printSvgs(s, size))}>
        {MAP.print}
      </Button>
      <Button disabled={busy} onClick={() => void pdf()}>
        {MAP.pdf}
      </Button>
      <Button disabled={busy} onClick={() => void svgs((s) => saveSvgs(name, 'svg', s, size))}>
        {MAP.svg}
      </Button>
      <Button disabled={busy} onClick={() => void svgs((s) => saveSvgs(name, 'png', s, size))}>
        {MAP.png}
      </Button>
      <Button
        disabled={busy}
        onClick={() =>
          download(`${name}.csv`, 'text/csv', shapesCsv(body.instrument, body.scale, choice.what === 'shape' ? [shape] : shapes))
        }
      >
        {MAP.csv}
      </Button>
      <Button disabled={busy} onClick={() => void copyNeck()}>
        {MAP.copyAsText}
      </Button>
    </div>
  );
}

export interface Props {
  readonly body: StudyBody;
  readonly shape: Shape;
  /** All rungs of the ladder. */
  readonly shapes: Shape[];
}

/** How the sheet is made, and where it goes. */
export function SheetForm({ body, shape, shapes }: Props) {
  const [choice, setChoice] = useState<Choice>(() => ({
    what: askedPrint() ?? 'rungs',
    copies: false,
    paper: 'a4',
    turn: 'portrait',
    ink: 'black',
  }));
  const [said, setSaid] = useState<string | null>(null);
  const { pages, problem, make, cancel } = useSheet();
  const go = useGo();
  const busy = pages !== null;
  const set = (change: Partial<Choice>): void => setChoice((c) => ({ ...c, ...change }));
  const size = pageSize(choice.paper, choice.turn);
  const name = fileName(`${scaleName(body.scale)} ${choice.what === 'shape' ? shape.label : choice.what}`);

  const svgs = async (take: (svgs: string[]) => Promise<void> | void): Promise<void> => {
    const made = await make(paperOf(body, shape, choice), 'svg').catch(() => null);
    if (made && 'svgs' in made) await take(made.svgs);
  };
  const pdf = async (): Promise<void> => {
    const made = await make(paperOf(body, shape, choice), 'pdf').catch(() => null);
    if (made && 'pdf' in made) download(`${name}.pdf`, 'application/pdf', made.pdf);
  };
  const copyNeck = async (): Promise<void> => {
    const text = neckText(body.instrument, shape);
    if (await copyText(text)) setSaid(MAP.copiedPasteItIntoA);
    else download(`${name}.txt`, 'text/plain', text);
  };

  return (
    <>
      <Choices choice={choice} onChoice={set} />
      <Makes shape={shape} busy={busy} {...{ choice, body, shapes, name, svgs, pdf, copyNeck, size }} />
      <p role="status" aria-live="polite" className="min-h-5 text-soft">
        {busy
          ? MAP.pagesDone(counted(pages, 'page'))
          : (said ?? missingWords(missingLetters(JSON.stringify(paperOf(body, shape, choice)))) ?? '')}
        {problem && <span className="text-clay">{problem}</span>}
      </p>
      {busy && <Button onClick={cancel}>{MAP.cancel}</Button>}
      <Button look="link" onClick={() => go('handout')}>
        {HANDOUT.booklet}
      </Button>
    </>
  );
}
