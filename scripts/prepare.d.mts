/** Builds the server when any of its sources has changed since it was last built. */
export function buildServer(): void;
/** The folder of the built server, below the project's. */
export const BUILT: string;
