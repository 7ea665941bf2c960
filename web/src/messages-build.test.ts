// @vitest-environment node
import { fileURLToPath } from 'node:url';
import { expect, it } from 'vitest';
import { builtMessages } from '../vite.plugins.ts';

const CARD = fileURLToPath(new URL('features/classes/StuckCard.vue', import.meta.url));
const { transform } = builtMessages() as { transform: (code: string, id: string) => Promise<{ code: string } | null> };
const built = async (code: string): Promise<string> => (await transform(code, CARD))?.code ?? '';

it('a message stands where it is said, its braces read; a count too, with one and many', async () => {
  const code = await built(`import { counted } from "../../ui/count-messages.ts";
import { t } from "./messages.ts";
t('stuck-card.nobody-is-stuck');
_unref(t)("stuck-card.note-to-note2", { note, note2 });
counted('lessons', { n });`);
  expect(code).toContain('sayBuilt("Nobody is stuck")');
  expect(code).toContain('sayBuilt(["","note"," to ","note2",""], { note, note2 })');
  expect(code).toContain('sayBuilt({"one":["","n"," lesson"],"many":["","n"," lessons"]}, { n })');
});

it('code that says nothing, and a function that happens to be called t, stay as they are', async () => {
  expect(await transform(`t('stuck-card.nobody-is-stuck')`, CARD)).toBeNull();
  expect(await built(`import { t } from "./messages.ts"; t('no.such-key');`)).toContain(`t('no.such-key')`);
});
