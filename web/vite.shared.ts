import { constants } from 'node:zlib';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import type { CSSOptions, Plugin, PluginOption } from 'vite';

export const CSS: CSSOptions = {
  preprocessorOptions: {
    scss: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
  },
};

/** The letters of a first screen are asked for with its script, not after its style sheet. @param base where the files stand. */
export function preloadFonts(base: string): Plugin {
  return {
    name: 'preload-fonts',
    transformIndexHtml: {
      order: 'post',
      handler: (_html, { bundle }) =>
        Object.keys(bundle ?? {})
          .filter((file) => /-latin-[47]00-normal-.*\.woff2$/.test(file))
          .map((file) => ({
            tag: 'link',
            attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: '', href: `${base}${file}` },
            injectTo: 'head',
          })),
    },
  };
}

/** Once at build, served as it is: brotli where the connection is secure, gzip for plain http. */
export function compressed(): PluginOption {
  return compression({
    include: /\.(m?js|css|html|svg|json|webmanifest|wasm|txt)$/,
    threshold: 1024,
    algorithms: [
      defineAlgorithm('brotliCompress', { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
      defineAlgorithm('gzip', { level: 8 }),
    ],
  });
}
