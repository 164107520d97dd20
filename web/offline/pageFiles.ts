import { createHash } from 'node:crypto';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build, type Plugin } from 'vite';

const HERE = path.dirname(fileURLToPath(import.meta.url));
/** Maps and photos apart, everything that the page may ask for. */
const KEPT = /\.(js|css|html|svg|woff2|wasm)$/;
const HASHED = /-[\w-]{8}\.\w+$/;

/** Builds the service worker beside the page, with the list of the page's files in it. */
export function serviceWorker(): Plugin {
  const files: { url: string; revision: string | null }[] = [];
  return {
    name: 'zero-pour-service-worker',
    apply: 'build',
    writeBundle(_options, bundle) {
      for (const [name, item] of Object.entries(bundle)) {
        if (!KEPT.test(name)) continue;
        const text = item.type === 'chunk' ? item.code : item.source;
        const revision = HASHED.test(name)
          ? null
          : createHash('sha256').update(text).digest('hex').slice(0, 16);
        files.push({ url: `/${name}`, revision });
      }
    },
    async closeBundle() {
      if (files.length === 0) return;
      await build({
        configFile: false,
        root: HERE,
        logLevel: 'warn',
        define: { PAGE_FILES: JSON.stringify(files.splice(0)), 'process.env.NODE_ENV': '"production"' },
        build: {
          outDir: path.join(HERE, '../dist'),
          emptyOutDir: false,
          target: 'es2023',
          rolldownOptions: {
            input: path.join(HERE, 'serviceWorker.ts'),
            output: { entryFileNames: 'service-worker.js', format: 'iife' },
          },
        },
      });
    },
  };
}
