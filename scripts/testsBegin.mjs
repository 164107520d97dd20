// Before tests that start the server as people do: what they start is what the sources are now.
import { buildServer } from './prepare.mjs';

export const setup = buildServer;
