import { customerBodySchema, versioned, type CustomerBody } from '@alfombra/core';
import { Router } from 'express';
import type { DocumentStore, Stored } from '../documents/store';
import { bodyOf, idOf, writeIdOf } from '../http/input';
import { whoIs } from '../http/whoIs';

export const presentCustomer = ({ id, version, body }: Stored<CustomerBody>) => ({
  ...customerBodySchema.parse(body),
  id,
  version,
});

export function customerRoutes(customers: DocumentStore<CustomerBody>): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json((await customers.list(whoIs(response).companyId)).map(presentCustomer));
  });
  router.put('/:id', async (request, response) => {
    const { version, ...body } = bodyOf(request, versioned(customerBodySchema));
    const stored = await customers.put(whoIs(response).companyId, idOf(request), version, body, {
      writeId: writeIdOf(request),
    });
    response.json(presentCustomer(stored));
  });
  return router;
}
