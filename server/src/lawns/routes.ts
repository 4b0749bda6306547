import { lawnBodySchema, versioned } from '@alfombra/core';
import { Router } from 'express';
import type { CompanyService } from '../companies/service';
import { bodyOf, idOf, writeIdOf } from '../http/input';
import { sendPacked } from '../http/packed';
import { whoIs } from '../http/whoIs';
import { presentLawn, type LawnService } from './service';

const putSchema = versioned(lawnBodySchema);

export function lawnRoutes(lawns: LawnService, companies: CompanyService): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const company = await companies.get(whoIs(response).companyId);
    await sendPacked(request, response, await lawns.summarize(company));
  });
  router.get('/progress', (_request, response) => {
    response.json(lawns.progressOf(whoIs(response).companyId));
  });
  router.get('/:id', async (request, response) => {
    response.json(presentLawn(await lawns.lawns.get(whoIs(response).companyId, idOf(request))));
  });
  router.put('/:id', async (request, response) => {
    const { version, ...body } = bodyOf(request, putSchema);
    response.json(
      await lawns.put(whoIs(response).companyId, idOf(request), version, body, writeIdOf(request)),
    );
  });
  router.get('/:id/revisions', async (request, response) => {
    const company = await companies.get(whoIs(response).companyId);
    response.json(await lawns.revisionsOf(company, idOf(request)));
  });
  router.get('/:id/weather', async (request, response) => {
    const company = await companies.get(whoIs(response).companyId);
    response.json(await lawns.weatherOf(company, idOf(request)));
  });
  return router;
}
