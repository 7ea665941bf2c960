import { baseCompile } from '@intlify/message-compiler';
import type { Built, Parts } from './built.ts';

/** A node of the compiler's tree, as `minify` writes it: list of cases, of items, static text, or a named value. */
interface Node {
  readonly b?: Node;
  readonly c?: readonly Node[];
  readonly i?: readonly Node[];
  readonly s?: string;
  readonly v?: string;
  readonly k?: string;
}

/** Reads a message's braces and plurals. @throws SyntaxError when the message cannot be read. */
export function build(message: string): Built {
  const onError = ({ message: reason }: { message: string }): never => {
    throw new SyntaxError(`${reason}: ${message}`);
  };
  const { ast } = baseCompile(message, { jit: true, minify: true, location: false, onError });
  const { b: body = {} } = ast as unknown as Node;
  if (body.c !== undefined) return { one: partsOf(body.c[0]!), many: partsOf(body.c[1]!) };
  const parts = partsOf(body);
  return parts.length === 1 ? parts[0]! : parts;
}

function partsOf({ s, i = [] }: Node): Parts {
  if (s !== undefined) return [s];
  const parts = [''];
  for (const { k, v = '', s: text = v } of i) {
    if (k === undefined) parts[parts.length - 1] += text;
    else parts.push(k, '');
  }
  return parts;
}
