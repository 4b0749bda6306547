import { weatherImportSchema } from '@alfombra/core';
import { Router } from 'express';
import { bodyOf } from '../http/input';
import { whoIs } from '../http/whoIs';
import type { WeatherService } from './service';

export function stationRoutes(weather: WeatherService): Router {
  const router = Router();
  router.post('/:id/weather-csv', async (request, response) => {
    const { csv, keep } = bodyOf(request, weatherImportSchema);
    const { companyId } = whoIs(response);
    const result = await weather.importCsv(companyId, request.params.id, csv, keep);
    response.status(result.errors.length > 0 ? 422 : 200).json(result);
  });
  return router;
}
