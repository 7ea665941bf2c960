import { compile, createCoreContext, registerMessageCompiler, translate } from '@intlify/core-base';
import { messageIn } from './englishes.ts';
import { isOne, type Values } from './built.ts';
import { english } from './locale.ts';

registerMessageCompiler(compile);

const context = createCoreContext({
  locale: 'en',
  messages: { en: {} },
  pluralRules: { en: (n: number) => (isOne(n) ? 0 : 1) },
  missingWarn: false,
  fallbackWarn: false,
});

/** Says a message in the English that is set; `n` among the values chooses between one and many. */
export function say(message: string, values: Values = {}): string {
  const meant = messageIn(english(), message);
  const plural = typeof values.n === 'number' ? { plural: values.n } : {};
  return String(translate(context, meant, values, { ...plural, resolvedMessage: true }));
}
