import { LABELS, TEMPO, WAYS, type StudyBody, type StudySummary, type Way } from '../../../contract';
import {
  ascii,
  chordNotes,
  CoreError,
  glyphs,
  isScale,
  layOut,
  LIMITS,
  rootPlaces,
  type Layout,
  type ScaleRef,
  type Shape,
} from '../../../core';
import type { Now } from '../../store/change';
import { askAfresh, askFrom, askTo, endsNow } from '../../store/connection';
import { leadRoot, toRoot, typedScale, withInstrument, withLayout } from '../../store/moves';
import { STUDY_VIEWS, type StudyView } from '../../words/view-text';
import { neckNotesOf, rungIndex } from '../../store/study';
import { matchEnds, type EndMatch } from '../../words/end-text';
import { layoutWords, matchLayouts } from '../../words/layout-text';
import { isolated } from '../../words/name-text';
import { readRoot } from '../../words/root-read';
import { rootWords, type RootWish } from '../../words/root-text';
import { WAY_WORDS } from '../../words/route-text';
import { askedScale, matchScales, scaleName, splitScaleText } from '../../words/scale-text';
import { instrumentWords, matchTunings, retuned } from '../../words/tuning-text';
import { VIEW_NAMES, viewName } from '../../words/view-text';
import { ALL_COMMANDS } from '../all-commands';
import { SHELL, shownKey } from '../keys';
import { PRINTS, type Print } from '../print-ask';
import type { Prefs } from '../../store/prefs';

/** What a line of the command line does. */
export type Action =
  | { readonly edit: (now: Now) => Partial<StudyBody> | null; readonly view: StudyView | null }
  | { readonly run: { readonly view: string; readonly id: string } }
  | { readonly go: string }
  | { readonly open: string }
  | { readonly print: Print };

export interface Offer {
  readonly key: string;
  readonly title: string;
  /** The key that does the same, or what it is. */
  readonly detail: string;
  readonly action: Action;
}

/** What there is to choose from. */
export interface Where {
  readonly now: Now | null;
  readonly studies: readonly Pick<StudySummary, 'id' | 'name' | 'damaged'>[];
  readonly keys: Prefs['keys'];
}

const MOST = 40;
const plain = (text: string): string => ascii(text).toLowerCase().trim();
const wordsOf = (text: string): string[] => plain(text).split(/[\s,:]+/).filter(Boolean); // prettier-ignore
const fits = (typed: string, title: string): boolean => {
  const parts = wordsOf(title);
  return wordsOf(typed).every((w) => parts.some((p) => p.startsWith(w)));
};
const edit = (title: string, detail: string, view: StudyView | null, make: (now: Now) => Partial<StudyBody> | null): Offer => ({
  key: `${title} ${detail}`,
  title,
  detail,
  action: { edit: make, view },
});

/** The shapes of a study as some fields would make it, and which of them would be chosen. */
function laidAs(body: StudyBody): { readonly shapes: Shape[]; readonly current: number } {
  try {
    const shapes = layOut(body.instrument, body.scale, body.layout);
    return { shapes, current: shapes.length ? rungIndex(shapes, body.rung) : -1 };
  } catch (e) {
    if (e instanceof CoreError) return { shapes: [], current: -1 };
    throw e;
  }
}

/** Scale, layout and root in one go, each as the sentence would set it, the one on top of the other. */
function mapped(now: Now, scale: ScaleRef | null, layout: Layout | null, root: RootWish | null): Partial<StudyBody> {
  let fields: Partial<StudyBody> = {};
  const body = (): StudyBody => ({ ...now.body, ...fields });
  if (scale) fields = { ...fields, ...typedScale(body(), scale) };
  if (layout) fields = { ...fields, ...withLayout(body(), layout, null) };
  const { shapes, current } = laidAs(body());
  return root ? { ...fields, ...toRoot(body().layout, shapes, current, root) } : fields;
}

/** The words of a phrase cut in two everywhere, the longer first part first. */
const cuts = (words: string[]): [string, string][] =>
  words.map((_, k) => [words.slice(0, words.length - k).join(' '), words.slice(words.length - k).join(' ')]);

const ROOT_AT_END = /\s(?:root\s+(?:on\s+)?)?((?:string\s+)?\d{1,2}[\s/]+(?:fret\s+)?\d{1,2}(?:\s+(?:f|finger\s*)?\d)?)$/;

/** "a dorian three notes", "dorian", "boxes", "bb mixo 6 6 2": what the Map is to show. */
function byMap(text: string, now: Now): Offer[] {
  const { body } = now;
  const typed = plain(text);
  const at = ROOT_AT_END.exec(typed);
  const phrases = at ? [typed, typed.slice(0, at.index).trim()] : [typed];
  return phrases.flatMap((phrase, k) => (k === 1 && at ? fromPhrase(phrase, at[1]!, body) : fromPhrase(phrase, null, body)));
}

function fromPhrase(phrase: string, rootText: string | null, body: StudyBody): Offer[] {
  if (!phrase) return [];
  const roots = (scale: ScaleRef) => (isScale(scale.scale) ? rootPlaces(body.instrument, scale) : []);
  const layouts = (text: string, scale: ScaleRef): Layout[] => {
    const places = roots(scale);
    const root = leadRoot(laidAs({ ...body, scale }).shapes[0] ?? null) ?? places[0] ?? { string: 1, fret: 0 };
    return text ? matchLayouts(text, { instrument: body.instrument, scale, root }, places).map((m) => m.layout) : [];
  };
  const offer = (scale: ScaleRef | null, layout: Layout | null): Offer[] => {
    const on = scale ?? body.scale;
    const read = rootText === null ? null : readRoot(rootText, body.instrument, on);
    if (read && ('problem' in read || read.fret === undefined)) return [];
    const root = read as RootWish | null;
    const title = [scale && askedScale(on), layout && layoutWords(layout), root && `root on ${rootWords(root)}`].filter(Boolean).join(', ');
    return [edit(glyphs(title), 'show it on the Map', 'map', (now) => mapped(now, scale, layout, root))];
  };
  const words = phrase.split(/\s+/);
  for (const [first, rest] of cuts(words)) {
    const named = splitScaleText(first);
    const scales = named.tonic !== null && !named.words ? [{ ...body.scale, tonic: named.tonic }] : matchScales(first, body.scale);
    const cut = rest.match(/^(?:in|as|laid out as)\s+(.*)$/)?.[1] ?? rest;
    if (!scales.length) continue;
    if (!cut)
      return [
        ...scales.slice(0, 6).flatMap((s) => offer(s, null)),
        ...layouts(phrase, body.scale)
          .slice(0, 3)
          .flatMap((l) => offer(null, l)),
      ];
    const found = layouts(cut, scales[0]!);
    if (found.length) return found.slice(0, 5).flatMap((l) => offer(scales[0]!, l));
  }
  return layouts(phrase, body.scale)
    .slice(0, 6)
    .flatMap((l) => offer(null, l));
}

const CONNECT = /^(?:connect|join|from)\s+(.+?)\s+(?:to|and|with)\s+(.+?)(?:\s+by\s+(.+))?$/;

/** "connect box 1 to 3", "from 6 5 to fret 12 by diagonal". */
function byConnect(text: string, now: Now): Offer[] {
  const m = CONNECT.exec(plain(text));
  if (!m || !now.shapes.length) return [];
  const where = { shapes: now.shapes, instrument: now.body.instrument, notes: neckNotesOf(now.body) };
  const from = matchEnds(m[1]!, { ...where, goal: false })[0];
  // "box 1 to 3": the second end is named like the first.
  const bare = /^\d+$/.test(m[2]!) ? `${m[1]!.replace(/[\d\s]+$/, '')} ${m[2]}`.trim() : m[2];
  const to = matchEnds(bare!, { ...where, goal: true })[0] ?? matchEnds(m[2]!, { ...where, goal: true })[0];
  const way = m[3] ? WAYS.find((w) => fits(m[3]!, WAY_WORDS[w].chip)) : undefined;
  if (!from || !to || (m[3] && !way)) return [];
  const title = `Connect ${from.title} to ${to.title}${way ? `, ${WAY_WORDS[way].by}` : ''}`;
  return [edit(title, 'on Connect', 'connect', (then) => connected(then, from, to, way))];
}

function connected(now: Now, from: EndMatch, to: EndMatch, way: Way | undefined): Partial<StudyBody> | null {
  const ends = endsNow(now);
  if (!ends) return null;
  const begun = { ...now, body: { ...now.body, ...askFrom(ends, now.shapes, from.value) } };
  const next = endsNow(begun);
  const gone = next && { ...begun.body, ...askTo(next, now.shapes, to.value) };
  const done = gone && endsNow({ ...now, body: gone });
  return done && (way ? askAfresh(done, { way, strings: [] }) : askAfresh(done, {}));
}

const number = (text: string): number | null => (/^\d{1,3}$/.test(text) ? Number(text) : null);

/** Commands that begin with their verb and take what follows. */
const VERBS: { readonly verbs: string[]; readonly offers: (rest: string, now: Now) => Offer[] }[] = [
  {
    verbs: ['tune', 'tuning', 'retune'],
    offers: (rest, { body }) =>
      matchTunings(rest, body.instrument).slice(0, 8).map((t) =>
        edit(`Tune to ${t.name}`, instrumentWords(retuned(body.instrument, t)), null, (now) => withInstrument(now.body, retuned(now.body.instrument, t)))), // prettier-ignore
  },
  {
    verbs: ['key', 'in'],
    offers: (rest, { body }) => {
      const { tonic, words } = splitScaleText(rest);
      if (tonic === null || words) return [];
      const scale = { ...body.scale, tonic };
      return [edit(`Key of ${scaleName(scale)}`, 'the same scale on another tonic', null, (now) => typedScale(now.body, { ...now.body.scale, tonic }))]; // prettier-ignore
    },
  },
  {
    verbs: ['capo'],
    offers: (rest, { body }) => {
      const capo = number(rest);
      const top = Math.min(12, body.instrument.frets - 5);
      if (capo === null || capo > top) return [];
      return [edit(`Capo at fret ${capo}`, `0 to ${top}`, null, (now) => withInstrument(now.body, { ...now.body.instrument, capo }))];
    },
  },
  {
    verbs: ['frets'],
    offers: (rest) => {
      const frets = number(rest);
      if (frets === null || frets < LIMITS.frets[0] || frets > LIMITS.frets[1]) return [];
      return [edit(`A neck of ${frets} frets`, `${LIMITS.frets[0]} to ${LIMITS.frets[1]}`, null, (now) => withInstrument(now.body, { ...now.body.instrument, frets, capo: Math.min(now.body.instrument.capo ?? 0, frets - 5) }))]; // prettier-ignore
    },
  },
  {
    verbs: ['tempo'],
    offers: (rest) => {
      const tempo = number(rest);
      if (tempo === null || tempo < TEMPO.min || tempo > TEMPO.max) return [];
      return [edit(`Tempo ${tempo}`, `${TEMPO.min} to ${TEMPO.max}`, null, () => ({ tempo }))];
    },
  },
  {
    verbs: ['labels', 'label', 'show'],
    offers: (rest) =>
      LABELS.filter((l) => l.startsWith(rest)).map((labels) => edit(`Labels: ${labels}`, 'what the marks say', null, () => ({ labels }))),
  },
  {
    verbs: ['chord'],
    offers: (rest) => {
      const symbol = rest && rest[0]!.toUpperCase() + rest.slice(1);
      if (!symbol || !readable(symbol)) return [];
      return [
        edit(`Mark the tones of ${symbol}`, 'on the Map', 'map', () => ({ chord: symbol })),
        edit(`Grips and scale of ${symbol}`, 'in Harmony', 'harmony', () => ({ chord: symbol })),
      ];
    },
  },
  {
    verbs: ['over', 'compare'],
    offers: (rest, { body }) =>
      matchScales(rest, body.scale).slice(0, 5).map((over) => edit(`Lay ${scaleName(over)} over it`, 'on the Map', 'map', () => ({ over }))), // prettier-ignore
  },
  {
    verbs: ['lick'],
    offers: (rest, { body }) =>
      body.licks
        .filter((l) => fits(rest, l.name))
        .map((l) => edit(`Lick: ${isolated(l.name)}`, 'open it', 'licks', () => ({ lick: l.id }))),
  },
];

function readable(symbol: string): boolean {
  try {
    return chordNotes(symbol).length > 0;
  } catch (e) {
    if (e instanceof CoreError) return false;
    throw e;
  }
}

function byVerb(text: string, now: Now): Offer[] {
  const [verb, ...rest] = plain(text).replace(/\s+to\s+/, ' ').split(/\s+/); // prettier-ignore
  return VERBS.filter((v) => v.verbs.includes(verb!)).flatMap((v) => v.offers(rest.join(' '), now));
}

/** "print all keys". */
const byPrint = (text: string): Offer[] => {
  const rest = /^(?:print|sheet|pdf)\b\s*(.*)$/.exec(plain(text));
  if (!rest) return [];
  return PRINTS.filter((p) => fits(rest[1]!, p.says)).map(({ what, says }) => ({ key: `print ${what}`, title: `Print ${says}`, detail: 'A4 or Letter, PDF', action: { print: what } })); // prettier-ignore
};

function byName(text: string, { studies }: Where): Offer[] {
  const rest = /^(?:open|study)\b\s*(.*)$/.exec(plain(text));
  const typed = rest ? rest[1] : text;
  if (!rest && plain(typed!).length < 3) return [];
  return studies
    .filter((s) => !s.damaged && fits(typed!, s.name))
    .map((s) => ({ key: `study ${s.id}`, title: `Open “${isolated(s.name)}”`, detail: 'study', action: { open: s.id } }));
}

const VIEWS: Offer[] = ([...STUDY_VIEWS, 'log', 'notebook', 'instruments'] as const).map((view) => ({
  key: `go ${view}`,
  title: `Go to ${VIEW_NAMES[view]}`,
  detail: 'view',
  action: { go: view },
}));

/** Commands of all views whose words fit, with their keys. */
const byCommand = (text: string, keys: Prefs['keys']): Offer[] =>
  ALL_COMMANDS.flatMap(({ view, infos }) =>
    infos.map((info) => ({
      key: `${view} ${info.id}`,
      title: `${view === SHELL ? '' : `${viewName(view)}: `}${info.does}`,
      detail: shownKey(info, keys) ?? '',
      action: { run: { view, id: info.id } },
    })),
  ).filter((o) => fits(text, o.title));

/** What can be done for what was typed, the likeliest first. */
export function offersFor(text: string, where: Where): Offer[] {
  const typed = text.trim();
  const commands = byCommand(typed, where.keys);
  const views = VIEWS.filter((v) => fits(typed, v.title));
  if (!typed) return [...views, ...commands].slice(0, MOST);
  const { now } = where;
  const asked = [...byPrint(typed), ...(now ? [...byConnect(typed, now), ...byVerb(typed, now)] : [])];
  const onMap = now && !asked.length ? byMap(typed, now) : [];
  const all = [...asked, ...onMap, ...byName(typed, where), ...views, ...commands];
  return all.filter((o, k) => all.findIndex((other) => other.key === o.key) === k).slice(0, MOST);
}
