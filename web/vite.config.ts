import { fileURLToPath } from 'node:url';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vite';
import { builtMessages, componentPlugins } from './vite.plugins.ts';
import { compressed, CSS, preloadFonts } from './vite.shared.ts';

const api = process.env.ESCALIER_API ?? 'http://127.0.0.1:4181';

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [
    componentPlugins({ types: true }),
    builtMessages(),
    preloadFonts('/'),
    VitePWA({
      // main.ts registers it once the first screen is there, so that the two do not share a slow network.
      injectRegister: false,
      manifest: {
        name: 'Escalier',
        short_name: 'Escalier',
        description: 'Recorder and tin whistle with a whole class, step by step.',
        display: 'standalone',
        background_color: '#f6f1e6',
        theme_color: '#1d2b2a',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        // All of the application: a lesson does not wait for what the wireless does not bring.
        globPatterns: ['**/*.{js,mjs,css,html,svg,woff2,flac,wasm}'],
        maximumFileSizeToCacheInBytes: 12_000_000,
        navigateFallback: '/index.html',
        // The practice room has a worker of its own.
        navigateFallbackDenylist: [/^\/api\//, /^\/licences\//, /^\/room\//],
        runtimeCaching: [
          {
            // What the school last answered, for when it does not; web/src/offline/store.ts clears it on signing out.
            urlPattern: ({ request, url }) =>
              request.method === 'GET' &&
              /^\/api\/(session$|classes|school\/(cautions|remarks)|tunes|notes)/.test(url.pathname) &&
              !url.pathname.endsWith('/records'),
            handler: 'NetworkFirst',
            options: { cacheName: 'escalier-answers', networkTimeoutSeconds: 4 },
          },
        ],
      },
    }),
    compressed(),
  ],
  css: CSS,
  worker: { format: 'es', plugins: () => [builtMessages()] },
  build: {
    outDir: fileURLToPath(new URL('../.escalier/web', import.meta.url)),
    emptyOutDir: true,
    target: 'es2022',
    rolldownOptions: {
      output: {
        codeSplitting: {
          // Few files on the way to a screen: each costs a turn on a slow network, where a browser asks for six at a time.
          groups: [
            { name: 'vue', tags: ['$initial'], test: /node_modules[\\/](@vue|vue|pinia|vue-router)[\\/]/, priority: 3 },
            { name: 'controls', tags: ['$initial'], test: /node_modules/, priority: 2 },
            { name: 'base', tags: ['$initial'], priority: 1 },
            // Who signs in needs a line to type in, and not what all later screens share.
            { name: 'fields', test: /[\\/]ui[\\/](TextField|FormField)\.vue/, priority: 1 },
            { name: 'parts', minShareCount: 6, maxModuleSize: 20_000 },
          ],
        },
      },
    },
    // Verovio's WebAssembly stands in its script: one large chunk that is loaded when a score is first shown.
    chunkSizeWarningLimit: 9000,
  },
  server: { host: '127.0.0.1', proxy: { '/api': api } },
});
