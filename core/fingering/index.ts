import { fail } from '../errors';
import { checkInstrument, checkPlace } from '../instrument';
import type { FingeredStep, FingeringSchool, Hand, Instrument, Place } from '../types';
import { handModel } from './model';
import { SCHOOLS, SPAN_MM } from './schools';
import { fingerPath } from './search';

export { handModel, type HandModel } from './model';
export { fingerPath } from './search';
export { SCHOOLS } from './schools';

/** Checks a school and a hand size; throws BAD_OPTION listing the choices. */
export function checkHand(school: FingeringSchool, hand?: Hand): void {
  if (!Object.hasOwn(SCHOOLS, school))
    fail('BAD_OPTION', 'school', `school: "${String(school)}" is none of ${Object.keys(SCHOOLS).join(', ')}.`);
  if (hand && !Object.hasOwn(SPAN_MM, hand.size))
    fail('BAD_OPTION', 'hand.size', `hand.size: "${String(hand.size)}" is none of small, medium, large.`);
}

/** Fingers for a line of places in playing order: the least effort over the whole line. Throws BAD_PLACE, BAD_OPTION. */
export function fingerNotes(i: Instrument, places: Place[], o: { school: FingeringSchool; hand?: Hand }): FingeredStep[] {
  checkInstrument(i);
  checkHand(o.school, o.hand);
  places.forEach((p, k) => checkPlace(i, p, `places[${k}]`));
  return fingerPath(handModel(i, o.school, o.hand?.size), places);
}
