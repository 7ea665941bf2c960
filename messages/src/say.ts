import { compile, createCoreContext, registerMessageCompiler, translate } from '@intlify/core-base';
import { american } from './american.ts';
import { locale } from './locale.ts';

registerMessageCompiler(compile);

const PLURALS = new Intl.PluralRules('en');
const context = createCoreContext({
  locale: 'en',
  messages: { en: {} },
  pluralRules: { en: (n: number) => (PLURALS.select(Math.abs(n)) === 'one' ? 0 : 1) },
  missingWarn: false,
  fallbackWarn: false,
});

export type Values = Readonly<Record<string, string | number>>;

/** Something in braces, a choice between one and many, or a sign that stands for itself. */
const HAS_SYNTAX = /[{|@]/;

/**
 * Says a message in the English that is set; `n` among the values chooses between one and many.
 * @param message its text, or the tree that the build made of it.
 */
export function say(message: string | object, values: Values = {}): string {
  const meant = locale() === 'en-US' ? american(message) : message;
  if (typeof meant === 'string' && !HAS_SYNTAX.test(meant)) return meant;
  const plural = typeof values.n === 'number' ? { plural: values.n } : {};
  return String(translate(context, meant as string, values, { ...plural, resolvedMessage: true }));
}
