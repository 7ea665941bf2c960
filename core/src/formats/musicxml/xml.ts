/** A node of fast-xml-parser's ordered form. */
export type Xml = Record<string, unknown>;

export function element(
  name: string,
  children: Xml[] | string | number = [],
  attributes: Record<string, string> = {},
): Xml {
  const content = typeof children === 'object' ? children : [{ '#text': String(children) }];
  const named = Object.fromEntries(Object.entries(attributes).map(([key, value]) => [`@_${key}`, value]));
  return { [name]: content, ...(Object.keys(named).length > 0 ? { ':@': named } : {}) };
}
