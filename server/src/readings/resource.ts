import { readingBodySchema, type LawnBody, type ReadingBody } from '@alfombra/core';
import type { CompanyService } from '../companies/service';
import type { LawnDocumentOptions } from '../documents/lawnDocumentRoutes';
import { plainDocument, type DocumentStore } from '../documents/store';
import { HttpFailure } from '../http/failure';

/** Soil thermometer and pH readings: of a zone that the lawn has, not of a day to come. */
export function readingResource(
  store: DocumentStore<ReadingBody>,
  lawns: DocumentStore<LawnBody>,
  companies: CompanyService,
): LawnDocumentOptions<ReadingBody> {
  return {
    store,
    lawns,
    schema: readingBodySchema,
    check: async ({ companyId }, _id, reading) => {
      const [{ body }, company] = await Promise.all([
        lawns.get(companyId, reading.lawnId),
        companies.get(companyId),
      ]);
      if (!body.zones.some(({ id }) => id === reading.zoneId)) {
        throw new HttpFailure('bad-input', 'this lawn has no such zone', ['zoneId']);
      }
      const today = companies.dayAt(company, body);
      if (reading.date > today) {
        throw new HttpFailure('bad-input', `the day is after today (${today})`, ['date']);
      }
    },
    present: (_who, _lawnId, list) => Promise.resolve(list.map(plainDocument)),
  };
}
