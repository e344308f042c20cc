import { XMLBuilder, XMLParser, XMLValidator } from 'fast-xml-parser';
import { refuseFile } from '../errors';

/** An element as the parser's ordered form has it: its name with its children, and its attributes. */
export type Node = Record<string, unknown>;

/** An element: children, or a text. */
export function el(name: string, content: Node[] | string | number = [], attributes: Record<string, string | number> = {}): Node {
  const children = Array.isArray(content) ? content : [{ '#text': String(content) }];
  const named = Object.fromEntries(Object.entries(attributes).map(([k, v]) => [`@_${k}`, String(v)]));
  return { [name]: children, ...(Object.keys(named).length ? { ':@': named } : {}) };
}

const OPTIONS = { preserveOrder: true, ignoreAttributes: false, attributeNamePrefix: '@_' } as const;
const builder = new XMLBuilder({ ...OPTIONS, format: true, indentBy: ' ', suppressEmptyNode: true });

export const xml = (nodes: Node[]): string => `<?xml version="1.0" encoding="UTF-8"?>\n${String(builder.build(nodes)).trimStart()}`;

const parser = new XMLParser({ ...OPTIONS, parseTagValue: false, parseAttributeValue: false, processEntities: true, trimValues: true, htmlEntities: false }); // prettier-ignore

/** Whose declaration a file of this kind usually carries; it is never fetched. */
const PLAIN_DOCTYPE = /<!DOCTYPE\s+(?:score-partwise|score-timewise|container)(?:\s+PUBLIC\s+"[^"<>]*"\s+"[^"<>]*")?\s*>/i;

/**
 * Parses XML. Refuses what could reach outside the file or swell inside it: entities, an inner document type, external
 * references other than the usual declaration (which is dropped, not fetched). Throws FormatError with the line.
 */
export function parseXml(text: string): Element {
  const plain = text.replace(/^\uFEFF/, '').replace(PLAIN_DOCTYPE, '');
  if (/<!ENTITY/i.test(plain)) refuseFile('this file declares entities; such files are not read.');
  if (/<!DOCTYPE/i.test(plain)) refuseFile('this file refers to something outside itself; such files are not read.');
  if (/<(?:xi:)?include\b/i.test(plain)) refuseFile('this file includes another one; such files are not read.');
  const checked = checkWhole(plain);
  if (checked) refuseFile(`this is not whole XML: ${checked.msg}`, checked.line);
  const nodes = attempt(() => parser.parse(plain) as Node[]);
  const root = nodes.map(elementOf).find((e) => e.name !== '?xml' && e.name !== '#text');
  return root ?? refuseFile('this XML has nothing in it.');
}

function checkWhole(text: string): { msg: string; line: number } | null {
  const result = attempt(() => XMLValidator.validate(text));
  return result === true ? null : result.err;
}

function attempt<T>(action: () => T): T {
  try {
    return action();
  } catch (e) {
    return refuseFile(`this is not XML that can be read${e instanceof Error ? ` (${e.message})` : ''}.`);
  }
}

/** An element to be read. */
export interface Element {
  name: string;
  attributes: Record<string, string>;
  children: Element[];
  text: string;
}

function elementOf(node: Node): Element {
  const name = Object.keys(node).find((k) => k !== ':@') ?? '#text';
  const raw = (node[':@'] ?? {}) as Record<string, unknown>;
  const attributes = Object.fromEntries(Object.entries(raw).map(([k, v]) => [k.replace(/^@_/, ''), String(v)]));
  if (name === '#text') return { name, attributes: {}, children: [], text: String(node['#text']) };
  const inner = Array.isArray(node[name]) ? (node[name] as Node[]).map(elementOf) : [];
  return { name, attributes, children: inner.filter((c) => c.name !== '#text'), text: inner.filter((c) => c.name === '#text').map((c) => c.text).join('') }; // prettier-ignore
}

export const child = (e: Element, name: string): Element | undefined => e.children.find((c) => c.name === name);
export const children = (e: Element, name: string): Element[] => e.children.filter((c) => c.name === name);
/** A number inside, or null where there is none. */
export function numberIn(e: Element | undefined, name?: string): number | null {
  const text = (name ? e && child(e, name)?.text : e?.text)?.trim();
  return text && /^-?\d+(\.\d+)?$/.test(text) ? Number(text) : null;
}
