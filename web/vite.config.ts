import { fileURLToPath } from 'node:url';
import vue from '@vitejs/plugin-vue';
import { BootstrapVueNextResolver } from 'bootstrap-vue-next/resolvers';
import Icons from 'unplugin-icons/vite';
import Components from 'unplugin-vue-components/vite';
import { defineConfig } from 'vite';

const api = process.env.ESCALIER_API ?? 'http://127.0.0.1:4181';

export default defineConfig({
  root: fileURLToPath(new URL('.', import.meta.url)),
  plugins: [
    vue(),
    Components({ dirs: [], resolvers: [BootstrapVueNextResolver()], dts: 'components.d.ts' }),
    Icons({ compiler: 'vue3', scale: 1 }),
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
