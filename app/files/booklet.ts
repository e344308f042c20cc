import type { Handout, HandoutPart, StudyBody } from '../../contract';
import { arpeggioIn, climbTempos, CoreError, drillLick, layOut, onceEach, spellTuning, type Shape } from '../../core';
import type { BookletContent, BookletRequest, BookletSection } from '../../formats/booklet/booklet';
import { drilled } from '../store/practice/drilled';
import { plannedShapes } from '../store/practice/plans';
import { rungIndex } from '../store/study';
import { counted } from '../words/count-text';
import { drillName, orderWords, RHYTHM_WORDS, whatWords } from '../words/drill-text';
import { DAYS } from '../words/handout-text';
import { layoutWords } from '../words/layout-text';
import { scaleName } from '../words/scale-text';
import { drawnGrip, lineOfKept, lineOfLick, sheetOf, tabSheetOf, type ExportLine } from './papers';

/** The study that a part is of: the handout's own, or another by its id; null where it is not there. */
export type StudyOf = (id: string | null) => StudyBody | null;

/** A handout as it can be made now: what goes on paper, the lines in it for files, and which parts have nothing left to show, with why. */
export interface MadeHandout {
  readonly request: BookletRequest;
  readonly lines: { readonly line: ExportLine; readonly body: StudyBody }[];
  readonly lost: { readonly part: HandoutPart; readonly why: string }[];
}

/** What one part becomes. */
interface Made {
  readonly section: BookletSection;
  readonly line?: ExportLine;
}

class Lost extends Error {}
const lose = (why: string): never => {
  throw new Lost(why);
};

const handed = (body: StudyBody, { hand }: Handout): StudyBody =>
  hand === 'as-is' ? body : { ...body, instrument: { ...body.instrument, handedness: hand } };

const tuningWords = ({ instrument }: StudyBody): string => `${spellTuning(instrument)}${instrument.capo ? `, capo at ${instrument.capo}` : ''}`; // prettier-ignore
const lineAbout = (line: ExportLine, body: StudyBody): string =>
  `${scaleName(line.scale)} · ${line.meter.join('/')} · ${line.tempo} quarters a minute · ${tuningWords({ ...body, instrument: line.instrument })}`;
const shapesAbout = (body: StudyBody): string[] => [`${tuningWords(body)} · laid out as ${layoutWords(body.layout)}. Fingers beside the strings.`]; // prettier-ignore

const PAPER = { paper: 'a4', turn: 'portrait', ink: 'black', copies: false } as const; // the booklet puts its own paper in
const shapesOf = (body: StudyBody): Shape[] => layOut(body.instrument, body.scale, body.layout, { ...(body.school ? { school: body.school } : {}), hand: body.hand }); // prettier-ignore

const tab = (body: StudyBody, line: ExportLine): BookletContent => ({ tab: tabSheetOf(body, line, 'a4', 'portrait') });
const ofLine = (body: StudyBody, line: ExportLine, title = line.name, about: string[] = []): Made => ({
  section: { title, about: [lineAbout(line, body), ...about], content: tab(body, line) },
  line,
});

type Of<K extends HandoutPart['kind']> = Extract<HandoutPart, { readonly kind: K }>;
/** What each kind of part becomes of its study. */
const MAKE: { [K in Exclude<HandoutPart['kind'], 'text'>]: (part: Of<K>, body: StudyBody) => Made } = {
  shape: ({ rung }, body) => {
    const shapes = shapesOf(body);
    const shape = shapes[rungIndex(shapes, rung)];
    if (!shape) return lose('this scale is not laid out on this neck.');
    const content = { shapes: sheetOf(body, { ...PAPER, what: 'shape', shapeId: shape.id }) };
    return { section: { title: `${scaleName(body.scale)}: ${shape.label}`, about: shapesAbout(body), content } };
  },
  rungs: (_, body) => {
    const content = { shapes: sheetOf(body, { ...PAPER, what: 'rungs', shapeId: '' }) };
    return { section: { title: `${scaleName(body.scale)}, ${layoutWords(body.layout)}`, about: shapesAbout(body), content } };
  },
  arpeggio: ({ chord }, body) => {
    const rungs = onceEach(body.layout.kind, shapesOf(body));
    const shapes = rungs.flatMap((s) => arpeggioOrNone(body, chord, s));
    if (!shapes.length) return lose(`no rung holds a tone of ${chord}.`);
    const content = { shapes: { ...sheetOf(body, { ...PAPER, what: 'rungs', shapeId: '' }), given: shapes, over: null } };
    return { section: { title: `${chord} through the rungs`, about: shapesAbout(body), content } };
  },
  route: ({ of }, body) => {
    const route = body.routes.find((r) => r.id === of) ?? lose('the kept route was dropped.');
    return ofLine(body, lineOfKept(route, body.tempo));
  },
  lick: ({ of }, body) => {
    const lick = body.licks.find((l) => l.id === of) ?? lose('the lick was deleted.');
    return lick.notes.length ? ofLine(body, lineOfLick(body, lick)) : lose(`“${lick.name}” has no notes yet.`);
  },
  drill: ({ of }, body) => {
    const { name, form, climb } = body.drills.find((d) => d.id === of) ?? lose('the drill was deleted.');
    const shapes = shapesOf(body);
    const current = rungIndex(shapes, body.rung);
    const made = drilled(form, { body, shapes, current });
    if ('problem' in made) return lose(made.problem);
    const { drill } = made;
    const what = whatWords(form, body, shapes[current] ?? null, shapes.length);
    const line: ExportLine = { name: drillName(form, what), notes: drillLick(drill.line), tempo: climb.start, meter: [4, 4], instrument: drill.instrument, scale: body.scale }; // prettier-ignore
    const ladder = `Tempo ladder: ${climbTempos(climb).join(', ')}. Up after ${counted(climb.clean, 'clean pass', 'clean passes')} in a row, down after ${counted(climb.misses, 'miss', 'misses')}.`;
    return ofLine(body, line, name, [`${what}, ${orderWords(form)}, ${RHYTHM_WORDS[form.rhythm]}.`, ladder]);
  },
  grips: (_, body) => {
    const grips = body.grips.flatMap((g) => drawnGrip(body, g) ?? []);
    if (!grips.length) return lose('no grip is kept in it that lies on its neck.');
    const content = { grips: { name: '', instrument: body.instrument, grips, paper: 'a4', turn: 'portrait' } as const };
    return {
      section: { title: `Grips of ${body.name}`, about: ['Thickest string at the left; x damped, o open; degrees below.'], content },
    };
  },
  plan: (_, body) => {
    const planned = plannedShapes('', body, shapesOf(body)).filter((p) => p.shape && p.item.said !== 'skipped');
    if (!planned.length) return lose('it has no plan: make one under Practise.');
    // A week: the open shape every day, and those before it again in turn.
    const rows = DAYS.map((day, k) => {
      const at = Math.min(planned.length - 1, Math.floor(k / DAYS_A_SHAPE));
      const again = at > 0 ? planned[k % at]!.shape?.label : undefined;
      return [day, `${planned[at]!.shape?.label ?? ''}${again ? `; again: ${again}` : ''}`, ''];
    });
    return { section: { title: `The week: ${scaleName(body.scale)}`, about: ['Slowly first; rest when the hand tires.'], content: { table: { head: ['day', 'what', 'done'], rows } } } }; // prettier-ignore
  },
};
const DAYS_A_SHAPE = 3;

function arpeggioOrNone(body: StudyBody, chord: string, within: Shape): Shape[] {
  try {
    return [arpeggioIn(body.instrument, chord, within, { hand: body.hand })];
  } catch (e) {
    if (e instanceof CoreError && e.code === 'NO_SHAPE_FITS') return [];
    throw e;
  }
}

function makePart(
  part: HandoutPart,
  handout: Handout,
  studyOf: StudyOf,
): (Made & { readonly body: StudyBody | null }) | { readonly why: string } {
  if (part.kind === 'text') return { section: { title: '', about: [], content: { text: part.text } }, body: null };
  const body = studyOf(part.study);
  if (!body) return { why: 'the study that it is of was deleted, or cannot be read.' };
  try {
    const own = handed(body, handout);
    return { ...(MAKE[part.kind] as (p: HandoutPart, b: StudyBody) => Made)(part, own), body: own };
  } catch (e) {
    if (e instanceof Lost || e instanceof CoreError) return { why: e.message };
    throw e;
  }
}

/** A handout made of its studies as they stand. A part that cannot be made is named, not left out unseen. */
export function makeHandout(handout: Handout, studyOf: StudyOf): MadeHandout {
  const { title, teacher, pupil, paper, parts } = handout;
  const made: MadeHandout = { request: { title, teacher, pupil, paper, sections: [] }, lines: [], lost: [] };
  for (const part of parts) {
    const one = makePart(part, handout, studyOf);
    if ('why' in one) made.lost.push({ part, why: one.why });
    else {
      made.request.sections.push(one.section);
      if (one.line && one.body) made.lines.push({ line: one.line, body: one.body });
    }
  }
  return made;
}
