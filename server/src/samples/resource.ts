import { soilSampleBodySchema, type LawnBody, type SoilSampleBody } from '@alfombra/core';
import type { CompanyService } from '../companies/service';
import type { LawnDocumentOptions } from '../documents/lawnDocumentRoutes';
import { plainDocument, type DocumentStore } from '../documents/store';
import { HttpFailure } from '../http/failure';
import { withReport, type SoilLaboratory } from '../standins/soilLaboratory';

/**
 * Soil samples: of a zone that the lawn has, a bag id only once. A report that the laboratory has
 * ready is shown with its sample until the technician keeps it or types in another.
 */
export function sampleResource(
  store: DocumentStore<SoilSampleBody>,
  lawns: DocumentStore<LawnBody>,
  companies: CompanyService,
  laboratory: SoilLaboratory,
): LawnDocumentOptions<SoilSampleBody> {
  return {
    store,
    lawns,
    schema: soilSampleBodySchema,
    check: async ({ companyId }, id, sample) => {
      const [{ body }, company, others] = await Promise.all([
        lawns.get(companyId, sample.lawnId),
        companies.get(companyId),
        store.list(companyId),
      ]);
      if (!body.zones.some((zone) => zone.id === sample.zoneId)) {
        throw new HttpFailure('bad-input', 'this lawn has no such zone', ['zoneId']);
      }
      const today = companies.dayAt(company, body);
      if (sample.date > today) {
        throw new HttpFailure('bad-input', `the day is after today (${today})`, ['date']);
      }
      if (sample.sentOn && sample.sentOn < sample.date) {
        throw new HttpFailure('bad-input', 'it was sent before it was bagged', ['sentOn']);
      }
      if (others.some((other) => other.id !== id && other.body.bagId === sample.bagId)) {
        throw new HttpFailure('bad-input', `bag ${sample.bagId} is there already`, ['bagId']);
      }
    },
    present: async ({ companyId }, _lawnId, list) => {
      const { today } = await companies.get(companyId);
      return list.map((stored) => withReport(laboratory, plainDocument(stored), today));
    },
  };
}
