import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { BootstrapVueNextResolver } from 'bootstrap-vue-next/resolvers';
import Icons from 'unplugin-icons/vite';
import Components from 'unplugin-vue-components/vite';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vite';

const api = process.env.ESCALIER_API ?? 'http://127.0.0.1:4181';

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [
    vue(),
    Components({ dirs: [], resolvers: [BootstrapVueNextResolver()], dts: 'components.d.ts' }),
    Icons({ compiler: 'vue3', scale: 1 }),
    VitePWA({
      injectRegister: 'script-defer',
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
        globPatterns: ['**/*.{js,css,html,svg,woff2,flac,wasm}'],
        maximumFileSizeToCacheInBytes: 12_000_000,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/licences\//],
        runtimeCaching: [
          {
            // What the school last answered, for when it does not; web/src/offline/store.ts clears it on signing out.
            urlPattern: ({ request, url }) =>
              request.method === 'GET' &&
              /^\/api\/(session$|classes|school\/(cautions|faults)|tunes|notes)/.test(url.pathname) &&
              !url.pathname.endsWith('/records'),
            handler: 'NetworkFirst',
            options: { cacheName: 'escalier-answers', networkTimeoutSeconds: 4 },
          },
        ],
      },
    }),
  ],
  css: {
    preprocessorOptions: {
      scss: { quietDeps: true, silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'] },
    },
  },
  worker: { format: 'es' },
  build: {
    outDir: fileURLToPath(new URL('../.escalier/web', import.meta.url)),
    emptyOutDir: true,
    target: 'es2022',
    // Verovio's WebAssembly stands in its script: one large chunk that is loaded when a score is first shown.
    chunkSizeWarningLimit: 9000,
  },
  server: { host: '127.0.0.1', proxy: { '/api': api } },
});
