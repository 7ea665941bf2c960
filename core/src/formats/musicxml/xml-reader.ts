import { XMLParser } from 'fast-xml-parser';
import { failure, success, type Result } from '../../music/index.ts';
import { t } from '../messages.ts';

/** An element of a read document. */
export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlElement[];
  readonly text: string;
}

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  parseAttributeValue: false,
  trimValues: false,
  htmlEntities: true,
});

/** Parses a document without external or declared entities. The error is a sentence. */
export function parseXml(text: string): Result<XmlElement, string> {
  if (/<!ENTITY/i.test(text)) return failure(t('xml-reader.the-file-declares-its-own-xml'));
  const tooMuch = tooMuchXml(text);
  if (tooMuch !== null) return failure(tooMuch);
  let nodes: unknown;
  try {
    nodes = parser.parse(text);
  } catch {
    return failure(t('xml-reader.the-file-is-not-well-formed'));
  }
  const root = elementsOf(nodes).find((element) => !element.name.startsWith('?'));
  return root === undefined ? failure(t('xml-reader.the-file-contains-no-xml')) : success(root);
}

const MOST_ELEMENTS = 250_000;
const MOST_DEPTH = 60;

/** Counted before anything is built: a score of many pages has a tenth of it. */
function tooMuchXml(text: string): string | null {
  let [elements, depth] = [0, 0];
  for (let at = text.indexOf('<'); at >= 0; at = text.indexOf('<', at + 1)) {
    const next = text[at + 1];
    if (next === '!' || next === '?') continue;
    if (next === '/') {
      depth -= 1;
      continue;
    }
    elements += 1;
    if (elements > MOST_ELEMENTS) return t('xml-reader.the-file-is-too-long-for');
    const end = text.indexOf('>', at);
    if (end > 0 && text[end - 1] === '/') continue;
    depth += 1;
    if (depth > MOST_DEPTH) return t('xml-reader.the-files-elements-are-nested-too');
  }
  return null;
}

function elementsOf(nodes: unknown): XmlElement[] {
  if (!Array.isArray(nodes)) return [];
  return (nodes as Record<string, unknown>[]).flatMap((node) => {
    const name = Object.keys(node).find((key) => key !== ':@' && key !== '#text');
    if (name === undefined) return [];
    const attributes = (node[':@'] ?? {}) as Record<string, string>;
    return [{ name, attributes, children: elementsOf(node[name]), text: textOf(node[name]) }];
  });
}

function textOf(nodes: unknown): string {
  if (!Array.isArray(nodes)) return '';
  return (nodes as Record<string, unknown>[])
    .map((node) => (typeof node['#text'] === 'string' ? node['#text'] : ''))
    .join('');
}

export function child(element: XmlElement | undefined, name: string): XmlElement | undefined {
  return element?.children.find((child) => child.name === name);
}

export function children(element: XmlElement | undefined, name: string): readonly XmlElement[] {
  return element?.children.filter((child) => child.name === name) ?? [];
}

/** The trimmed text of a child; empty when there is none. */
export function textIn(element: XmlElement | undefined, name: string): string {
  return child(element, name)?.text.trim() ?? '';
}

/** The number in a child; null when there is none or it is no number. */
export function numberIn(element: XmlElement | undefined, name: string): number | null {
  const text = textIn(element, name);
  return text === '' || !Number.isFinite(Number(text)) ? null : Number(text);
}
