import { XMLBuilder } from 'fast-xml-parser';
import { SaxesParser } from 'saxes';
import { quoted, refuseFile } from '../errors';

/** An element to be written: its name with its children, and its attributes. */
export type XmlNode = Record<string, unknown>;

/** An element: children, or a text. */
export function el(name: string, content: XmlNode[] | string | number = [], attributes: Record<string, string | number> = {}): XmlNode {
  const within = Array.isArray(content) ? content : [{ '#text': writable(String(content)) }];
  const named = Object.fromEntries(Object.entries(attributes).map(([k, v]) => [`@_${k}`, writable(String(v))]));
  return { [name]: within, ...(Object.keys(named).length ? { ':@': named } : {}) };
}

/** Signs that XML 1.0 has no way to write (section 2.2, Char): left out. */
const writable = (text: string): string =>
  text.replace(
    /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g,
    '',
  );

const builder = new XMLBuilder({ preserveOrder: true, ignoreAttributes: false, attributeNamePrefix: '@_', format: true, indentBy: ' ', suppressEmptyNode: true }); // prettier-ignore

export const xml = (nodes: XmlNode[]): string => `<?xml version="1.0" encoding="UTF-8"?>\n${String(builder.build(nodes)).trimStart()}`;

/** An element that was read. */
export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: XmlElement[];
  /** Its own text, trimmed at both ends. */
  readonly text: string;
  /** Where it begins, from 1. */
  readonly line: number;
}

/** One that is being read. */
type Growing = { -readonly [K in keyof XmlElement]: XmlElement[K] };
/** The children of the many elements that have none: shared, and never written to. */
const NONE: XmlElement[] = [];

/** Elements that a file may have, inside one another and in all; letters of one text. Far beyond any score. */
const MOST = { deep: 100, elements: 1_000_000, text: 1_000_000 };

/** Whose declaration a file of this kind usually carries; it is dropped, never fetched. */
const PLAIN_DOCTYPE = /^\s*(?:score-partwise|score-timewise|container)\b[^[]*$/;

/**
 * Parses XML. Refuses what could reach outside the file or swell inside it: entities, an inner document type, an outside document type other
 * than the usual declaration (which is dropped, not fetched), includes. Throws FormatError with the line.
 */
export function parseXml(text: string): XmlElement {
  const parser = new SaxesParser({ position: true, xmlns: false } as const);
  const open: Growing[] = [];
  let root: XmlElement | null = null;
  let count = 0;
  parser.on('error', (e) => refuseFile(`this is not whole XML: ${e.message.replace(/^(?:[^:]*:)?\d+:\d+: /, '')}`, parser.line));
  parser.on('doctype', (type) => {
    if (type.includes('[')) refuseFile('this file declares entities or a document type of its own; such files are not read.', parser.line);
    if (!PLAIN_DOCTYPE.test(type)) refuseFile('this file refers to something outside itself; such files are not read.', parser.line);
  });
  parser.on('opentag', ({ name, attributes }) => {
    if (++count > MOST.elements) refuseFile(`this file has more than ${MOST.elements} elements.`, parser.line);
    if (open.length >= MOST.deep) refuseFile(`this file is nested more than ${MOST.deep} levels deep.`, parser.line);
    if (/^(?:\w+:)?include$/i.test(name)) refuseFile('this file includes another one; such files are not read.', parser.line);
    const e: Growing = { name, attributes, children: NONE, text: '', line: parser.line };
    const outer = open.at(-1);
    if (!outer) root ??= e;
    else if (outer.children === NONE) outer.children = [e];
    else outer.children.push(e);
    open.push(e);
  });
  const addText = (piece: string): void => {
    const at = open.at(-1);
    if (!at) return;
    if (piece.length > MOST.text)
      refuseFile(`a text of ${piece.length} letters stands in <${quoted(at.name)}>; no score has that.`, at.line);
    at.text += piece;
  };
  parser.on('text', addText);
  parser.on('cdata', addText);
  parser.on('closetag', () => {
    const e = open.pop();
    if (e?.text) e.text = e.text.trim();
  });
  parser.write(text.replace(/^\uFEFF/, '')).close();
  return root ?? refuseFile('this XML has nothing in it.');
}

export function child(e: XmlElement, name: string): XmlElement | undefined {
  for (const c of e.children) if (c.name === name) return c;
  return undefined;
}

export function children(e: XmlElement, name: string): XmlElement[] {
  let found = NONE;
  for (const c of e.children)
    if (c.name === name) {
      if (found === NONE) found = [c];
      else found.push(c);
    }
  return found;
}
/** A number inside, or null where there is none. */
export function numberIn(e: XmlElement | undefined, name?: string): number | null {
  const text = (name ? e && child(e, name)?.text : e?.text)?.trim();
  return text && text.length < 24 && /^-?\d+(\.\d+)?$/.test(text) ? Number(text) : null;
}
