import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import vuetify from 'vite-plugin-vuetify';
import { serviceWorker } from './offline/pageFiles';

const server = `http://127.0.0.1:${process.env['ZP_PORT'] ?? 4680}`;

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true }), serviceWorker()],
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
            { name: 'domain', test: /[\\/](core|contracts|plan)[\\/]src[\\/](?!mesh|pattern[\\/]read)/ },
          ],
        },
      },
    },
  },
  server: { host: '127.0.0.1', port: 4681, proxy: { '/api': { target: server, changeOrigin: true } } },
});
