import { weatherImportSchema } from '@alfombra/core';
import { Router } from 'express';
import { bodyOf } from '../http/input';
import { whoIs } from '../http/whoIs';
import type { CompanyService } from '../companies/service';
import type { WeatherService } from './service';

export function stationRoutes(weather: WeatherService, companies: CompanyService): Router {
  const router = Router();
  router.get('/:id/weather', async (request, response) => {
    const company = await companies.get(whoIs(response).companyId);
    response.json(await weather.bundle(company.id, request.params.id, company.today));
  });
  router.post('/:id/weather-csv', async (request, response) => {
    const { csv, keep } = bodyOf(request, weatherImportSchema);
    const { id, today } = await companies.get(whoIs(response).companyId);
    const result = await weather.importCsv(id, request.params.id, csv, keep, today);
    // Only looking at a file is no failure, whatever is in it.
    response.status(keep && result.errors.length > 0 ? 422 : 200).json(result);
  });
  return router;
}
