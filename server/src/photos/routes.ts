import express, { Router } from 'express';
import { z } from 'zod';
import { lawnDocumentRoutes } from '../documents/lawnDocumentRoutes';
import { badInput } from '../http/failure';
import { idOf } from '../http/input';
import { whoIs } from '../http/whoIs';
import type { PhotoService } from './service';

const PIECE_LIMIT = '1mb';
const startSchema = z.object({ start: z.coerce.number().int().min(0) });

export function photoRoutes(photos: PhotoService): Router {
  const router = lawnDocumentRoutes(photos.resource());
  router.put(
    '/:id/bytes',
    express.raw({ type: 'application/octet-stream', limit: PIECE_LIMIT }),
    async (request, response) => {
      const query = startSchema.safeParse(request.query);
      if (!query.success) throw badInput(query.error);
      const bytes = Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
      const received = await photos.take(
        whoIs(response).companyId,
        idOf(request),
        query.data.start,
        bytes,
      );
      response.json({ received });
    },
  );
  router.get('/:id/bytes', async (request, response) => {
    const { type, bytes } = await photos.bytes(whoIs(response).companyId, idOf(request));
    response.setHeader('cache-control', 'private, max-age=31536000, immutable');
    response.type(type).send(bytes);
  });
  return router;
}
