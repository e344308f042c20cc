import { MOST_TIMES, type Bars } from '../score/order';
import { children, type XmlElement } from './xml';

const numbersIn = (text: string): Set<number> => new Set((text.match(/\d{1,2}/g) ?? []).map(Number).filter((n) => n >= 1 && n <= MOST_TIMES)); // prettier-ignore

/** What the barlines of each measure say. */
export function barsOf(measures: readonly XmlElement[]): Bars[] {
  let ending: Set<number> | null = null;
  return measures.map((m): Bars => {
    const lines = children(m, 'barline');
    const repeats = lines.flatMap((l) => children(l, 'repeat'));
    const endings = lines.flatMap((l) => children(l, 'ending'));
    const started = endings.find((e) => e.attributes.type === 'start');
    if (started) ending = numbersIn(started.attributes.number ?? '1');
    const bars: Bars = {
      forward: repeats.some((r) => r.attributes.direction === 'forward'),
      backward: repeats.filter((r) => r.attributes.direction === 'backward').reduce((most, r) => Math.max(most, timesOf(r)), 0),
      ending: ending?.size ? ending : null,
    };
    if (endings.some((e) => e.attributes.type === 'stop' || e.attributes.type === 'discontinue')) ending = null;
    return bars;
  });
}

const timesOf = (r: XmlElement): number => Math.max(2, Math.min(MOST_TIMES, Number(r.attributes.times) || 2));
