import { hashSchema, parseOrRefuse, Refusal } from '@zero-pour/contracts';
import { Router } from 'express';
import { pipeline } from 'node:stream/promises';
import { BLOB_BYTES_MAX } from '../files/blobFiles';
import { blobMediaType, keepBlob } from '../services/keepBlob';
import type { Services } from './services';

/** Pictures that a browser shows without running anything; everything else is handed out as plain bytes. */
const PICTURES = new Set(['image/jpeg', 'image/png', 'image/webp']);

/** Bytes of patterns and photos, by their SHA-256. */
export function blobRoutes({ db, files, log }: Services): Router {
  const router = Router();

  router.put('/blobs/:hash', async (request, response) => {
    const hash = parseOrRefuse(hashSchema, request.params.hash);
    if (Number(request.headers['content-length'] ?? 0) > BLOB_BYTES_MAX) {
      throw new Refusal('BODY_TOO_LARGE', { limit: '300 MB' });
    }
    const stated = request.headers['content-type'] ?? '';
    const mediaType = PICTURES.has(stated) ? stated : 'application/octet-stream';
    const bytes = await keepBlob(db, files, hash, mediaType, request);
    // Bytes that were kept already are not read; let them drain so that the answer arrives.
    request.resume();
    response.status(201).json({ hash, bytes });
  });

  router.get('/blobs/:hash', async (request, response) => {
    const hash = parseOrRefuse(hashSchema, request.params.hash);
    const mediaType = await blobMediaType(db, hash);
    const size = await files.size(hash);
    if (mediaType === undefined) throw new Refusal('NOT_FOUND', { what: 'file' });
    if (size === null) throw new Refusal('DAMAGED');
    response.set({
      'Content-Type': mediaType,
      'Content-Length': String(size),
      'Cache-Control': 'public, max-age=31536000, immutable',
    });
    // Whoever goes away in the middle, or a disk that fails there, ends this answer and closes the file; nothing else.
    await pipeline(files.read(hash), response).catch((error: unknown) => {
      log.warn({ err: error, hash }, 'not handed out whole');
      response.destroy();
    });
  });

  return router;
}
