import { lengthMm, midiOf, stringTensionN, TUNINGS, type Instrument, type InstrumentString } from '../../core';

/** Newtons in a pound-force: 4.4482 (exact 4.4482216152605, international pound and standard gravity). */
const NEWTONS_A_POUND = 4.4482216152605;
/** A retuning that pulls a string this much harder than the tuning it was strung for gets a word of care. */
export const TENSION_RISE = 0.1;

/** "72.6 N, 16.3 lb"; null where the gauge is not known. */
export function tensionWords(i: Instrument, string: number): string | null {
  const newtons = stringTensionN(i, string);
  return newtons === null ? null : `${newtons.toFixed(1)} N, ${(newtons / NEWTONS_A_POUND).toFixed(1)} lb`;
}

/** Strings that a new tuning pulls harder than before, by what share: pitch and length alone decide (Mersenne). */
export function tightened(before: Instrument, after: Instrument): { readonly string: number; readonly share: number }[] {
  return after.strings.flatMap((s, k) => {
    const old = before.strings[k];
    if (!old) return [];
    const pull = (open: string, length: number): number => (length * 2 ** (midiOf(open) / 12)) ** 2;
    const share = pull(s.open, lengthMm(after, k + 1)) / pull(old.open, lengthMm(before, k + 1)) - 1;
    return share > TENSION_RISE ? [{ string: k + 1, share }] : [];
  });
}

/** What is different between an instrument as a study knows it and as it is now, a line each. */
export function differenceWords(before: Instrument, after: Instrument): string[] {
  const lines: string[] = [];
  if (before.strings.length !== after.strings.length) lines.push(`${after.strings.length} strings instead of ${before.strings.length}`);
  after.strings.forEach((s, k) => {
    const old = before.strings[k];
    if (old && old.open !== s.open) lines.push(`string ${k + 1} is ${s.open} instead of ${old.open}`);
    if (old && (old.gaugeMm !== s.gaugeMm || old.wound !== s.wound || old.scaleLengthMm !== s.scaleLengthMm))
      lines.push(`string ${k + 1} is strung otherwise`);
  });
  if (before.frets !== after.frets) lines.push(`${after.frets} frets instead of ${before.frets}`);
  if (before.scaleLengthMm !== after.scaleLengthMm) lines.push(`scale length ${after.scaleLengthMm} mm instead of ${before.scaleLengthMm}`);
  if ((before.capo ?? 0) !== (after.capo ?? 0)) lines.push(after.capo ? `capo at ${after.capo}` : 'no capo');
  if ((before.handedness ?? 'right') !== (after.handedness ?? 'right')) lines.push(`${after.handedness ?? 'right'}-handed`);
  return lines;
}

/** Lengths fanned evenly from string 1 to the last; equal ends give one length for all. */
export function fanned(i: Instrument, thinMm: number, thickMm: number): Instrument {
  const last = Math.max(1, i.strings.length - 1);
  const at = (k: number): number => Math.round((thinMm + ((thickMm - thinMm) * k) / last) * 10) / 10;
  const strings = i.strings.map((s, k): InstrumentString => {
    const own = { ...s, scaleLengthMm: at(k) };
    if (thinMm === thickMm) delete (own as InstrumentString).scaleLengthMm;
    return own;
  });
  return { ...i, strings, scaleLengthMm: Math.max(thinMm, thickMm) };
}

/** One string more or less at the thick side; a new one is a fourth below, and takes no gauge from its neighbour. */
export function withStringCount(i: Instrument, count: number, nameOf: (midi: number) => string): Instrument {
  const strings = i.strings.slice(0, count);
  while (strings.length < count) strings.push({ open: nameOf(Math.max(0, midiOf(strings[strings.length - 1]!.open) - 5)) });
  return { ...i, strings };
}

/** Named tunings with this many strings, as options. */
export const tuningsFor = (count: number): { readonly value: string; readonly label: string; readonly open: string[] }[] =>
  TUNINGS.filter((t) => t.low.split(' ').length === count).map((t) => ({
    value: t.name,
    label: `${t.name}: ${t.low.replace(/-?\d/g, '')}`,
    open: t.low.split(' ').reverse(),
  }));
