import { existsSync } from 'node:fs';

const PLACES = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

/** The installed Chromium; ZP_CHROMIUM names another one. */
export const chromiumPath = (): string | undefined =>
  process.env['ZP_CHROMIUM'] ?? PLACES.find((place) => existsSync(place));

/** Software WebGL, and no calls to anywhere. */
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
  '--ignore-gpu-blocklist',
];
