import type { KeptRoute, StudyBody } from '../../contract';
import { isOnNeck, midiOf, type Instrument } from '../../core';
import { layoutWords } from './layout-text';
import { counted } from './count-text';
import { scaleName } from './scale-text';
import { SCHOOL_WORDS } from './school-text';
import { instrumentWords } from './tuning-text';

/** What a route was kept in: the scale and neck, and what of it is otherwise in the study by now. */
export function keptSettingWords({ on }: KeptRoute, body: StudyBody): string {
  const then = `${scaleName(on.scale)} · ${instrumentWords(on.instrument)} · ${layoutWords(on.layout)}`;
  const now = [
    scaleName(on.scale) === scaleName(body.scale) ? '' : scaleName(body.scale),
    instrumentWords(on.instrument) === instrumentWords(body.instrument) ? '' : instrumentWords(body.instrument),
    layoutWords(on.layout) === layoutWords(body.layout) ? '' : layoutWords(body.layout),
    on.school === body.school ? '' : body.school ? SCHOOL_WORDS[body.school] : 'fingers as the layout wants',
  ].filter(Boolean);
  return now.length ? `${then}. The study by now: ${now.join(', ')}.` : then;
}

/** What the study's instrument as it is now can no longer do of a kept route; null where it has every note. */
export function keptOnWords({ steps, on }: KeptRoute, now: Instrument): string | null {
  const off = steps.filter((s) => !isOnNeck(now, s)).length;
  const sound = (i: Instrument, s: KeptRoute['steps'][number]): number => midiOf(i.strings[s.string - 1]!.open) + s.fret;
  const other = steps.filter((s) => isOnNeck(now, s) && sound(now, s) !== sound(on.instrument, s)).length;
  const parts = [
    off ? `${off} of its ${counted(steps.length, 'note')} ${off === 1 ? 'has' : 'have'} no place there` : '',
    other ? `${other} ${other === 1 ? 'sounds' : 'sound'} another pitch there` : '',
  ].filter(Boolean);
  return parts.length ? `The study’s instrument is another by now (${instrumentWords(now)}): ${parts.join(', ')}.` : null;
}
