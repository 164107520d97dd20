import vue from '@vitejs/plugin-vue';
import { defineConfig, type Plugin } from 'vite';
import vuetify from 'vite-plugin-vuetify';
import { serviceWorker } from './offline/pageFiles';

/** Each build has a name: an open page that is not of it loads itself anew. */
const BUILD = Date.now().toString(36);
const server = `http://127.0.0.1:${process.env['ZP_PORT'] ?? 4680}`;

const buildName = (): Plugin => ({
  name: 'zero-pour-build-name',
  apply: 'build',
  generateBundle() {
    this.emitFile({ type: 'asset', fileName: 'build.txt', source: BUILD });
  },
});

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true }), serviceWorker(), buildName()],
  define: { __BUILD__: JSON.stringify(BUILD) },
  worker: { format: 'es' },
  build: {
    chunkSizeWarningLimit: 1800,
    target: 'es2023',
    modulePreload: { polyfill: false },
    // What every page needs comes as one file: a dozen small ones cost more in asking than in reading.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'framework', test: /node_modules[\\/](@vue|vue|pinia|vue-router|zod|@vueuse)[\\/]/ },
            { name: 'look', test: /node_modules[\\/]vuetify[\\/]/ },
            {
              name: 'ground',
              test: /[\\/]web[\\/]src[\\/](api|state|theme|time)[\\/]|[\\/]jobs[\\/]src[\\/]/,
            },
            { name: 'domain', test: /[\\/](core|contracts|plan)[\\/]src[\\/](?!mesh|pattern[\\/]read)/ },
          ],
        },
      },
    },
  },
  server: {
    host: '127.0.0.1',
    port: 4681,
    // The page being worked on is let in as the server's own.
    proxy: { '/api': { target: server, changeOrigin: true, headers: { origin: server } } },
  },
});
