import { isOneOf, keysOf } from '../../core';
import { drillFormSchema, PLAIN_DRILL, problemsOf, type DrillForm } from '../../contract';

const FIELDS = keysOf(PLAIN_DRILL);
/** A list in an address keeps its signs readable; an empty one is told by a dash. */
const textOf = (value: unknown): string => (Array.isArray(value) ? value.join(',') || '-' : String(value));

/** What of a drill is not as everybody begins; null where all is. Example: "order:groups group:3". */
export const drillText = (form: DrillForm): string | null =>
  FIELDS.filter((f) => f !== 'line' && textOf(form[f]) !== textOf(PLAIN_DRILL[f]))
    .map((f) => `${f}:${textOf(form[f])}`)
    .join(' ') || null;

function valueIn(field: keyof DrillForm, text: string): unknown {
  const plain = PLAIN_DRILL[field];
  if (field === 'strings') return text === '-' ? [] : text.split(',').map(Number);
  if (field === 'lean') return text === '-' ? [] : text.split(',');
  if (typeof plain === 'number') return Number(text);
  return typeof plain === 'boolean' ? text === 'true' : text;
}

/** The drill of an address, or what of it says nothing. */
export function readDrill(text: string): DrillForm | string {
  const form: Record<string, unknown> = { ...PLAIN_DRILL };
  for (const part of text.split(' ')) {
    const m = /^(\w+):(.+)$/.exec(part);
    if (!m || !isOneOf(FIELDS, m[1]) || m[1] === 'line') return `“${part}” says nothing of a drill; write ${FIELDS.join(', ')}`;
    form[m[1]] = valueIn(m[1], m[2]!);
  }
  const [problem] = problemsOf(drillFormSchema, form);
  return problem ? problem.message : (form as unknown as DrillForm);
}
