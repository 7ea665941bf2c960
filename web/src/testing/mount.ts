import { flushPromises, mount, RouterLinkStub, type VueWrapper } from '@vue/test-utils';
import { BApp } from 'bootstrap-vue-next/components/BApp';
import { h, reactive, type Component } from 'vue';
import { COMPONENT_DEFAULTS } from '../ui/component-defaults.ts';
import { eventually } from './eventually.ts';

interface Mounted {
  /** The component itself. */
  readonly wrapper: VueWrapper;
  /** All that is on the screen with it: notices, too. */
  readonly app: VueWrapper;
  /** Gives it other properties. */
  readonly setProps: (more: Record<string, unknown>) => Promise<void>;
}

/** A component where the application has it: with room for notices, in the document. */
export function mountInApp(
  component: Component,
  props: Record<string, unknown> = {},
  provide: Record<symbol, unknown> = {},
): Mounted {
  const given = reactive({ ...props });
  const app = mount(
    { render: () => h(BApp, { defaults: COMPONENT_DEFAULTS }, { default: () => h(component, given) }) },
    { global: { stubs: { RouterLink: RouterLinkStub }, provide }, attachTo: document.body },
  );
  return {
    app,
    wrapper: app.findComponent(component),
    setProps: async (more) => {
      Object.assign(given, more);
      await app.vm.$nextTick();
    },
  };
}

/** Presses the button with these words, wherever on the screen it is: in a dialog, too. */
export async function press(words: string): Promise<void> {
  const buttons = [...document.body.querySelectorAll('button')].filter(
    (element) => element.textContent.trim() === words,
  );
  const button = buttons.at(-1);
  if (button === undefined) throw new Error(`There is no button “${words}”`);
  button.click();
  await flushPromises();
}

/** Opens what shows how a figure came about, or more of a list. */
export async function openHow(wrapper: VueWrapper): Promise<void> {
  await wrapper.get('.how-toggle').trigger('click');
  await eventually(() => wrapper.get('.how-body'));
}
