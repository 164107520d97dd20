import {
  headLineSchema,
  idSchema,
  parseOrRefuse,
  Refusal,
  SHARE_FORMAT,
  SHARE_VERSION,
  SHARED_WHATS,
  shareSchema,
  type Share,
} from '@zero-pour/contracts';
import express, { Router } from 'express';
import { z } from 'zod';
import { readLocated, wrongAt } from '../archive/locatedJson';
import { shareOf, takeShare } from '../services/share';
import { keepableOnly } from './keepable';
import type { Services } from './services';

const whatSchema = z.enum(SHARED_WHATS);
const takeSchema = z.strictObject({
  /** The file's name, for what is wrong with it. */
  name: z.string().min(1).max(255),
  /** Of a protocol: the resin that it goes to. */
  into: idSchema.optional(),
  only: z.enum(['tried', 'kept']),
});

function readShare(file: string, text: string): Share {
  const { format, version } = readLocated(file, text, headLineSchema);
  if (format !== SHARE_FORMAT) throw wrongAt(file, text, 0, `it is “${format}”, not one thing of a shop`);
  if (version > SHARE_VERSION)
    throw new Refusal('FILE_NEWER', { file, version: String(version), own: String(SHARE_VERSION) });
  return readLocated(file, text, shareSchema);
}

/** One thing of the shop as a file for another shop, out and in. */
export function shareRoutes({ db }: Services): Router {
  const router = Router();
  router.get('/share/:what/:id', async (request, response) => {
    const what = parseOrRefuse(whatSchema, request.params.what);
    const share = await shareOf(db, what, parseOrRefuse(idSchema, request.params.id));
    const name = [...share.recipe, ...(what === 'protocol' || what === 'recipe' || what === 'causes' ? [] : (share[what] as { id: string; name: string }[]))].find(({ id }) => id === share.id)?.name; // prettier-ignore
    response.attachment(
      `${what} ${name ?? share.protocol?.name ?? share.causes?.from ?? ''}.json`.replace(/[^\w .()-]+/g, '-'),
    );
    response.type('application/json').send(`${JSON.stringify(share, null, 1)}\n`);
  });
  router.post('/share', express.text({ limit: '5mb', type: 'text/plain' }), async (request, response) => {
    const { name, into, only } = parseOrRefuse(takeSchema, request.query);
    const share = readShare(name, typeof request.body === 'string' ? request.body : '');
    request.body = share;
    keepableOnly(request, response, () => {});
    response.json(await takeShare(db, share, { into: into ?? null, only }));
  });
  return router;
}
