import { defineConfig } from 'vitest/config';
import vue from '@vitejs/plugin-vue';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  test: {
    // The framework's components import their style sheets.
    server: { deps: { inline: ['vuetify'] } },
    // Of two processors both: it leaves one idle otherwise.
    maxWorkers: '100%',
    testTimeout: 120_000,
    hookTimeout: 120_000,
    expect: { poll: { timeout: 15_000 } },
    projects: [
      {
        extends: true,
        test: {
          name: 'pure',
          include: ['{core,contracts,plan}/src/**/*.test.ts'],
          // Nothing of these rooms remembers anything: what a file has imported, the next one finds. Half of their time is importing.
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          name: 'around',
          globalSetup: './scripts/testsBegin.mjs',
          include: ['{jobs,server,web,demo}/{src,offline}/**/*.test.ts'],
        },
      },
    ],
  },
});
