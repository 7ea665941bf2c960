import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { BootstrapVueNextResolver } from 'bootstrap-vue-next/resolvers';
import Icons from 'unplugin-icons/vite';
import Components from 'unplugin-vue-components/vite';
import type { PluginOption } from 'vite';

/**
 * What turns a component of ours into script, in the application as in its tests.
 * @param types whether to write components.d.ts anew.
 */
export function componentPlugins({ types }: { types: boolean }): PluginOption[] {
  return [
    // Every component of ours and of BootstrapVueNext has a setup function: what runs the older way stays away.
    vue({ features: { optionsAPI: false } }),
    Components({
      dirs: [],
      resolvers: [BootstrapVueNextResolver()],
      dts: types && fileURLToPath(new URL('components.d.ts', import.meta.url)),
    }),
    Icons({ compiler: 'vue3', scale: 1 }),
  ];
}
