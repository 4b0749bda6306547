import { Router } from 'express';
import { z } from 'zod';
import { bodyOf, idOf, writeIdOf } from '../http/input';
import { whoIs } from '../http/whoIs';
import type { SignedIn } from '../sessions/service';
import type { DocumentStore, Stored } from './store';

interface OfLawn {
  lawnId: string;
  date: string;
}

export interface LawnDocumentOptions<Body extends OfLawn> {
  store: DocumentStore<Body>;
  /** The lawns, to make sure that a document lands on one of the company's own. */
  lawns: DocumentStore<object>;
  schema: z.ZodType<Body>;
  /** Extra judgement of a body before it is written. */
  check?: (who: SignedIn, id: string, body: Body) => Promise<void>;
  /** What is kept of a body: what only the server knows goes in. */
  complete?: (who: SignedIn, id: string, body: Body) => Promise<Body>;
  /** How stored documents of one lawn leave the server, all at once: a list asks no more than one does. */
  present: (
    who: SignedIn,
    lawnId: string,
    stored: readonly Stored<Body>[],
    /** Whether these are all of the lawn. */
    all: boolean,
  ) => Promise<object[]>;
}

/** PUT of one kind of document that belongs to a lawn. */
export function lawnDocumentRoutes<Body extends OfLawn>(
  options: LawnDocumentOptions<Body>,
): Router {
  const router = Router();
  const putSchema = z.intersection(options.schema, z.object({ version: z.number().int().min(0) }));
  router.put('/:id', async (request, response) => {
    const who = whoIs(response);
    const id = idOf(request);
    const { version, ...rest } = bodyOf(request, putSchema);
    const body = rest as unknown as Body;
    await options.lawns.mustHave(who.companyId, body.lawnId);
    await options.check?.(who, id, body);
    const kept = (await options.complete?.(who, id, body)) ?? body;
    const stored = await options.store.put(who.companyId, id, version, kept, {
      lawnId: body.lawnId,
      date: body.date,
      writeId: writeIdOf(request),
    });
    response.json((await options.present(who, body.lawnId, [stored], false))[0]);
  });
  return router;
}

/** GET of one kind of document under its lawn, latest first. */
export function listUnderLawn<Body extends OfLawn>(
  router: Router,
  path: string,
  options: LawnDocumentOptions<Body>,
): void {
  router.get(`/:id/${path}`, async (request, response) => {
    const who = whoIs(response);
    const lawnId = idOf(request);
    const list = await options.store.list(who.companyId, lawnId);
    // Where something lies under it there is a lawn.
    if (list.length === 0) await options.lawns.mustHave(who.companyId, lawnId);
    response.json(await options.present(who, lawnId, list, true));
  });
}
