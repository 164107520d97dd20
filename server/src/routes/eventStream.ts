import type { Response } from 'express';

/** Proxies and browsers give up a line that is silent for long. */
const ALIVE_EVERY_MS = 15_000;

/**
 * Answers with server-sent events. `begin` is handed what writes one, and returns what ends its listening; the line ends when
 * the page goes away, or when `stopped` says that the server does.
 */
export function streamEvents(
  response: Response,
  stopped: AbortSignal,
  begin: (write: (data: unknown) => void) => () => void,
): void {
  response.set({ 'Content-Type': 'text/event-stream', Connection: 'keep-alive' }).flushHeaders();
  const finish = begin((data) => void response.write(`data: ${JSON.stringify(data)}\n\n`));
  const alive = setInterval(() => response.write(': still here\n\n'), ALIVE_EVERY_MS);
  const end = (): void => void response.end();
  stopped.addEventListener('abort', end);
  response.on('close', () => {
    stopped.removeEventListener('abort', end);
    clearInterval(alive);
    finish();
  });
}
