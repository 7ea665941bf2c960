import { fileURLToPath } from 'node:url';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vite';
import { builtMessages, componentPlugins } from './vite.plugins.ts';
import { compressed, CSS, preloadFonts } from './vite.shared.ts';

const api = process.env.ESCALIER_API ?? 'http://127.0.0.1:4181';

/** The practice room: an application of its own under /room/, small enough for an old telephone, with a worker of its own scope. */
export default defineConfig({
  root: fileURLToPath(new URL('room', import.meta.url)),
  base: '/room/',
  publicDir: false,
  plugins: [
    componentPlugins({ types: false }),
    builtMessages(),
    preloadFonts('/room/'),
    VitePWA({
      injectRegister: false,
      scope: '/room/',
      manifest: {
        name: 'Practice room',
        short_name: 'Practice',
        description: 'Ten minutes of recorder or whistle.',
        start_url: '/room/',
        scope: '/room/',
        display: 'standalone',
        background_color: '#f6f1e6',
        theme_color: '#1d2b2a',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,mjs,css,html,woff2,flac}'],
        maximumFileSizeToCacheInBytes: 12_000_000,
        navigateFallback: '/room/index.html',
      },
    }),
    compressed(),
  ],
  css: CSS,
  worker: { format: 'es', plugins: () => [builtMessages()] },
  build: {
    outDir: fileURLToPath(new URL('../.escalier/room', import.meta.url)),
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 9000,
  },
  server: { host: '127.0.0.1', proxy: { '/api': api } },
});
