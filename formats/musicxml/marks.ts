import type { Join } from '../../core';
import type { Marks } from '../score/line';
import { child, children, numberIn, type XmlElement } from './xml';

/** Highest string and fret of an instrument here. */
const MOST = { string: 12, fret: 36, bend: 5 };

const isFrom = (n: number | null, least: number, most: number): n is number => n !== null && Number.isInteger(n) && n >= least && n <= most;
const stops = (all: readonly XmlElement[]): boolean => all.some((x) => x.attributes.type === 'stop');
const named = (all: readonly XmlElement[], name: string): XmlElement[] => all.filter((e) => e.name === name);

/** Signs by their elements, where the name is not that of the trade. */
const NAMES: Record<string, string> = {
  'trill-mark': 'trill',
  arpeggiate: 'rolled chord',
  'non-arpeggiate': 'bracket',
  'wavy-line': 'vibrato',
  'strong-accent': 'strong accent',
  'thumb-position': 'thumb position',
  'open-string': 'open string sign',
  'other-technical': 'technical sign',
  'other-articulation': 'articulation',
  'other-notation': 'sign',
  fermata: 'hold',
};
const nameOf = (e: XmlElement): string => NAMES[e.name] ?? e.name.replace(/-/g, ' ').slice(0, 30);

const TAKEN = new Set(['string', 'fret', 'fingering', 'hammer-on', 'pull-off', 'tap', 'bend', 'up-bow', 'down-bow']);
const READ = new Set(['tied', 'tuplet', 'slur', 'slide', 'glissando', 'technical', 'accidental-mark']);
/** Groups of signs, each of which counts by itself. */
const GROUPS = new Set(['ornaments', 'articulations', 'dynamics']);
/** Parts of an ornament that are no sign of their own. */
const PARTS = new Set(['accidental-mark']);

/** Signs on a note that a lick does not carry. */
function signsOf(notations: readonly XmlElement[], technical: readonly XmlElement[]): string[] {
  const all = notations.flatMap((n) => n.children);
  const grouped = all.flatMap((e) => (GROUPS.has(e.name) ? e.children.filter((c) => !PARTS.has(c.name)) : READ.has(e.name) ? [] : [e]));
  return [...grouped, ...technical.filter((t) => !TAKEN.has(t.name))].map(nameOf);
}

interface Bend {
  readonly bend: number;
  readonly release: boolean;
  readonly signs: string[];
}

/**
 * Bends of a note: "bend-alter" half steps up, a second one with "release" lets it down again (MusicXML 4.0, the element `bend`). A bend before the note is
 * struck is read as a bend; one of a quarter tone is read as a half step; both are said.
 */
function bendOf(technical: readonly XmlElement[]): Bend {
  const bends = named(technical, 'bend').map((b) => ({
    alter: numberIn(child(b, 'bend-alter')) ?? 0,
    lets: !!child(b, 'release'),
    before: !!child(b, 'pre-bend'),
    bar: !!child(b, 'with-bar'),
  }));
  const up = bends.find((b) => !b.lets && !b.bar && b.alter !== 0);
  const half = up ? Math.abs(up.alter) : 0;
  const bend = Math.min(MOST.bend, Math.round(half));
  const signs = [
    ...(up && half !== Math.round(half) ? [bend ? 'quarter tone of a bend (read as half steps)' : 'quarter-tone bend'] : []),
    ...(half > MOST.bend ? ['bend wider than five half steps (read as five)'] : []),
    ...(up?.before ? ['bend before the note (read as a bend)'] : []),
    ...bends.filter((b) => b.bar).map(() => 'bend with the bar'),
    ...bends.filter((b) => b !== up && !b.lets && !b.bar && b.alter !== 0).map(() => 'further bend'),
  ];
  return { bend, release: bends.some((b) => b.lets), signs };
}

/** A sign in ordinary weight was worked out by the program that wrote it; any other was set by hand. */
const isSettled = (e: XmlElement): boolean => e.attributes['font-weight'] !== 'normal';

export function marksOf(e: XmlElement): Marks {
  const notations = children(e, 'notations');
  const technical = notations.flatMap((n) => children(n, 'technical')).flatMap((t) => t.children);
  const number = (name: string): number | null => named(technical, name).map((t) => numberIn(t)).find((v) => v !== null) ?? null; // prettier-ignore
  const [string, fret] = [number('string'), number('fret')];
  const fingering = named(technical, 'fingering').find(isSettled);
  const finger = fingering ? numberIn(fingering) : null;
  const slides = notations.flatMap((n) => [...children(n, 'slide'), ...children(n, 'glissando')]);
  const bow = technical.find((t) => (t.name === 'up-bow' || t.name === 'down-bow') && isSettled(t));
  const plays = children(e, 'play').flatMap((p) => children(p, 'mute')).map((m) => m.text.trim()); // prettier-ignore
  const { bend, release, signs } = bendOf(technical);
  return {
    place: isFrom(string, 1, MOST.string) && isFrom(fret, 0, MOST.fret) ? { string, fret } : null,
    join: joinOf(technical, slides),
    bend,
    release,
    muted: plays.includes('palm'),
    finger: isFrom(finger, 1, 4) ? finger : 0,
    ...(bow ? { stroke: bow.name === 'up-bow' ? ('up' as const) : ('down' as const) } : {}),
    signs: [
      ...signsOf(notations, technical),
      ...signs,
      ...plays.filter((m) => m !== 'palm').map((m) => `mute (${m.slice(0, 20)})`),
      ...children(e, 'lyric').map(() => 'syllable of a text'),
      ...children(e, 'notehead').filter((h) => h.text.trim() !== 'normal').map((h) => `note head “${h.text.trim().slice(0, 20)}”`), // prettier-ignore
    ],
  };
}

function joinOf(technical: readonly XmlElement[], slides: readonly XmlElement[]): Join | null {
  if (stops(named(technical, 'hammer-on'))) return 'hammer';
  if (stops(named(technical, 'pull-off'))) return 'pull';
  if (stops(slides)) return 'slide';
  return named(technical, 'tap').length ? 'tap' : null;
}
