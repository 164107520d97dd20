import express, { type Express } from 'express';
import helmet from 'helmet';
import { MACHINE_DOOR, ownNameOnly, ownPagesOnly } from '../routes/guard';
import type { WayBack } from './putBack';

export interface RescueParts {
  sentence: string;
  opens: boolean;
  /** Undefined while backups are looked through. */
  wayBack: () => WayBack | null | undefined;
  /** Begins what was chosen; what comes of it is said by the next look. */
  choose: (what: 'back' | 'goOn') => void;
  /** What is being done, and why the last try did not work. */
  doing: () => string | null;
  failed: () => string | null;
}

const STYLE = `body{font:20px/1.5 sans-serif;background:#ece7dd;color:#24211d;max-width:44em;margin:2em auto;padding:0 1em}
main{background:#fffdf8;border-left:8px solid #a3271f;padding:1.2em 1.5em}h1{font-size:1.5em;margin:0 0 .6em}
button{font:inherit;padding:.5em 1em;margin:.4em .6em .4em 0;min-height:48px;border:2px solid #12555a;background:#12555a;color:#fffdf8}
button.other{background:#fffdf8;color:#12555a}.num{font-family:monospace}p{margin:.5em 0}`;

const escaped = (text: string): string => text.replace(/[&<>"']/g, (one) => `&#${one.charCodeAt(0)};`);
const when = (at: string): string =>
  new Date(at).toLocaleString('en-GB', { dateStyle: 'full', timeStyle: 'short' });

function wayBackHtml(way: WayBack | null | undefined): string {
  if (way === undefined) return '<p>Looking for the newest backup that is whole …</p>';
  if (way === null) return '<p>There is no whole backup where backups are kept. Put one there, or take a copy of the data folder to somebody who knows PostgreSQL before anything else is tried.</p>'; // prettier-ignore
  const broken = way.broken.map((one) => `<p>Not whole: ${escaped(one)}</p>`).join('');
  const since = way.since === 0 ? 'Nothing was written down as accepted since.' : `${way.since} changes that were accepted since are written down, and are put over it one by one.`; // prettier-ignore
  return `${broken}<p>The newest whole backup is of <b>${escaped(when(way.at))}</b>: ${way.holds.pours} pours, ${way.holds.bytes} files of patterns and photos. ${since}
    Readings that a kiln sent by itself since then come back only from the kiln.</p>
    <form method="post" action="/rescue/back"><button>Put the shop back</button></form>`;
}

function page({ sentence, opens, wayBack, doing, failed }: RescueParts): string {
  const now = doing();
  const waits = now !== null || wayBack() === undefined;
  const choices = `${wayBackHtml(wayBack())}${opens ? '<form method="post" action="/rescue/go-on"><button class="other">Go on with what is there, without the rest</button></form>' : ''}`; // prettier-ignore
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
    <title>Zero Pour: the shop is damaged</title>${waits ? '<meta http-equiv="refresh" content="2">' : ''}<style>${STYLE}</style></head>
    <body><main><h1>Nothing is shown of this shop before you choose</h1><p>${escaped(sentence)}</p>
    ${failed() === null ? '' : `<p role="alert"><b>${escaped(failed()!)}</b></p>`}
    ${now === null ? choices : `<p role="status"><b>${escaped(now)}</b></p>`}
    <p>Whatever you choose, the damaged files are kept: set aside in the data folder, or as they are.</p></main></body></html>`;
}

/** Stands where the shop would, while its database is damaged: what is gone, what is whole, and the ways on. Nothing is done by itself. */
export function rescueApp(parts: RescueParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(helmet({ contentSecurityPolicy: { useDefaults: false, directives: { defaultSrc: ["'none'"], styleSrc: ["'unsafe-inline'"], formAction: ["'self'"], baseUri: ["'none'"], frameAncestors: ["'none'"] } }, strictTransportSecurity: false })); // prettier-ignore
  app.use(ownNameOnly(MACHINE_DOOR), ownPagesOnly(MACHINE_DOOR));
  app.post('/rescue/back', (_request, response) => {
    if (parts.wayBack()) parts.choose('back');
    response.redirect(303, '/');
  });
  app.post('/rescue/go-on', (_request, response) => {
    if (parts.opens) parts.choose('goOn');
    response.redirect(303, '/');
  });
  app.use('/api', (_request, response) => {
    response.status(503).json({ error: { code: 'DATABASE_STOPPED', sentence: parts.sentence } });
  });
  app.get('/{*path}', (_request, response) => void response.status(503).type('html').send(page(parts)));
  return app;
}
