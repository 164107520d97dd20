import { fileURLToPath } from 'node:url';

/** The project's folder: two above this file, and two above the built server's files. Whatever lies in the project is named from here. */
export const ROOT = fileURLToPath(new URL('../../', import.meta.url));
