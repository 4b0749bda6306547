import { companyUpdateSchema } from '@alfombra/core';
import { Router } from 'express';
import { bodyOf } from '../http/input';
import { whoIs } from '../http/whoIs';
import type { CompanyService } from './service';

export function companyRoutes(companies: CompanyService): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json(await companies.get(whoIs(response).companyId));
  });
  router.put('/', async (request, response) => {
    response.json(await companies.update(whoIs(response), bodyOf(request, companyUpdateSchema)));
  });
  return router;
}
