import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from '../messages/src/build.ts';
import vue from '@vitejs/plugin-vue';
import { BootstrapVueNextResolver } from 'bootstrap-vue-next/resolvers';
import Icons from 'unplugin-icons/vite';
import Components from 'unplugin-vue-components/vite';
import type { Plugin, PluginOption } from 'vite';

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

/** A catalogue's function, by the name and the file that a module imports it from. */
const SAYS = /import \{ (t|counted) \} from ["']([^"']*messages\.ts)["']/g;

/** `t('key'` in a module's script, or what a template's compiler makes of it. */
const said = (name: string): RegExp => new RegExp(`(?:_unref\\(${name}\\)|\\b${name})\\(\\s*(['"])([\\w.-]+)\\1`, 'g');

/**
 * Puts each message where it is said: a screen loads its own words and no catalogue, and the braces and plurals are read
 * while building, so that no reader of them goes to a device.
 */
export function builtMessages(): Plugin {
  return {
    name: 'built-messages',
    async transform(code, id) {
      const imports = [...code.matchAll(SAYS)];
      if (imports.length === 0) return null;
      let built = code;
      for (const [, name, file] of imports) {
        const words = await catalogueOf(join(dirname(id.split('?')[0]!), file!));
        built = built.replace(said(name!), (call, _quote: string, key: string) => {
          const message = words[key];
          return message === undefined ? call : `sayBuilt(${JSON.stringify(build(message))}`;
        });
      }
      return { code: `import { sayBuilt } from '@escalier/messages/built';\n${built}`, map: null };
    },
  };
}

const catalogues = new Map<string, Promise<Readonly<Record<string, string>>>>();

/** The catalogue that a room's messages.ts names. */
function catalogueOf(file: string): Promise<Readonly<Record<string, string>>> {
  let found = catalogues.get(file);
  if (found === undefined) {
    const name = /@escalier\/messages\/([\w-]+)'/.exec(readFileSync(file, 'utf8'))![1]!;
    const code = readFileSync(fileURLToPath(new URL(`../messages/src/en/${name}.ts`, import.meta.url)), 'utf8').replace(
      ' as const;',
      ';',
    );
    found = import(`data:text/javascript,${encodeURIComponent(code)}`).then(
      (module: { default: Readonly<Record<string, string>> }) => module.default,
    );
    catalogues.set(file, found);
  }
  return found;
}
