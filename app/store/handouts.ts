import { MOST_HANDOUTS, MOST_PARTS, type Handout, type HandoutPart, type StudyBody } from '../../contract';
import { newId } from './licks';

type Edit = Partial<StudyBody>;
type Study = Pick<StudyBody, 'handouts'>;

/** A part without its id, as it is added. */
export type NewPart = HandoutPart extends infer P ? (P extends HandoutPart ? Omit<P, 'id'> : never) : never;

/** A handout of the study as a beginning: all rungs, and every lick. Null where it keeps as many as it can. */
export function addHandout(
  { handouts, name, licks }: StudyBody,
  from: Pick<Handout, 'teacher' | 'paper'>,
): { readonly edit: Edit; readonly id: string } | null {
  if (handouts.length >= MOST_HANDOUTS) return null;
  const id = newId();
  const parts: HandoutPart[] = [
    { id: newId(), kind: 'rungs', study: null },
    ...licks.filter((l) => l.notes.length).slice(0, MOST_PARTS - 1).map((l): HandoutPart => ({ id: newId(), kind: 'lick', study: null, of: l.id })),
  ]; // prettier-ignore
  const handout: Handout = { id, title: name.slice(0, 80).trim() || 'Handout', teacher: from.teacher, pupil: '', paper: from.paper, hand: 'as-is', parts }; // prettier-ignore
  return { edit: { handouts: [...handouts, handout] }, id };
}

const withHandout = ({ handouts }: Study, id: string, change: (h: Handout) => Handout): Edit => ({ handouts: handouts.map((h) => (h.id === id ? change(h) : h)) }); // prettier-ignore

/** Fields of a handout. An empty title stays as it was: every handout has one. */
export const setHandout = (study: Study, id: string, fields: Partial<Omit<Handout, 'id' | 'parts'>>): Edit =>
  withHandout(study, id, (h) => ({ ...h, ...fields, ...(fields.title !== undefined && !fields.title.trim() ? { title: h.title } : {}) }));

export const dropHandout = ({ handouts }: Study, id: string): Edit => ({ handouts: handouts.filter((h) => h.id !== id) });

/** The same again under another pupil's name; null where there is no room. */
export function copyHandout({ handouts }: Study, id: string): { readonly edit: Edit; readonly id: string } | null {
  const from = handouts.find((h) => h.id === id);
  if (!from || handouts.length >= MOST_HANDOUTS) return null;
  const copy: Handout = { ...from, id: newId(), pupil: '', parts: from.parts.map((p) => ({ ...p, id: newId() })) };
  return { edit: { handouts: [...handouts, copy] }, id: copy.id };
}

/** One more part, the last; null where there is no room. */
export function addPart(study: Study, id: string, part: NewPart): Edit | null {
  const full = (study.handouts.find((h) => h.id === id)?.parts.length ?? 0) >= MOST_PARTS;
  return full ? null : withHandout(study, id, (h) => ({ ...h, parts: [...h.parts, { ...part, id: newId() }] }));
}

export const dropPart = (study: Study, id: string, part: string): Edit =>
  withHandout(study, id, (h) => ({ ...h, parts: h.parts.filter((p) => p.id !== part) }));

/** The words of a text. */
export const setText = (study: Study, id: string, part: string, text: string): Edit =>
  withHandout(study, id, (h) => ({ ...h, parts: h.parts.map((p) => (p.id === part && p.kind === 'text' ? { ...p, text } : p)) }));

/** A part put where another one stands, those between moved up or down; null where that changes nothing. */
export function movePart(study: Study, id: string, part: string, to: number): Edit | null {
  const parts = study.handouts.find((h) => h.id === id)?.parts ?? [];
  const at = parts.findIndex((p) => p.id === part);
  if (at < 0 || to < 0 || to >= parts.length || at === to) return null;
  const others = parts.filter((p) => p.id !== part);
  return withHandout(study, id, (h) => ({ ...h, parts: [...others.slice(0, to), parts[at]!, ...others.slice(to)] }));
}
