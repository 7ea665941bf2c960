import { say } from './say.ts';

export { listWords } from './list.ts';
export {
  english,
  inEnglish,
  locale,
  LOCALES,
  PUPIL_WORDS,
  setEnglish,
  USUAL_ENGLISH,
  type English,
  type Locale,
} from './locale.ts';

/** Names in braces: "{n} of {total}" has `n` and `total`. */
type Braces<M> = M extends `${string}{${infer Name}}${infer Rest}`
  ? (Name extends `'${string}` ? never : Name) | Braces<Rest>
  : never;
/** What a message has to be told: its braces, and of how many it speaks where one and many differ. */
type Slots<M> = Braces<M> | (M extends `${string} | ${string}` ? 'n' : never);
type Catalogue = Readonly<Record<string, string>>;

/** Says a message of its catalogue. */
export type Say<C extends Catalogue> = <K extends keyof C & string>(
  key: K,
  ...values: [Slots<C[K]>] extends [never] ? [] : [Readonly<Record<Slots<C[K]>, string | number>>]
) => string;

/**
 * A catalogue's `t`. British messages are written; American ones follow from them by the table in englishes.ts, before
 * values are put in, so that a pupil called Bar keeps the name.
 */
export function catalogue<const C extends Catalogue>(messages: C): Say<C> {
  return (key, ...[values]) => say(messages[key]!, values);
}
