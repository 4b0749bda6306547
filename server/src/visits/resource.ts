import { visitBodySchema, type LawnBody, type VisitBody } from '@alfombra/core';
import type { LawnDocumentOptions } from '../documents/lawnDocumentRoutes';
import { plainDocument, type DocumentStore } from '../documents/store';
import { HttpFailure } from '../http/failure';

/** Visits: each look must be at a zone, and a patch, that the lawn has. */
export function visitResource(
  store: DocumentStore<VisitBody>,
  lawns: DocumentStore<LawnBody>,
): LawnDocumentOptions<VisitBody> {
  return {
    store,
    lawns,
    schema: visitBodySchema,
    check: async ({ companyId }, _id, visit) => {
      const { body } = await lawns.get(companyId, visit.lawnId);
      visit.looks.forEach((look, index) => {
        if (!body.zones.some(({ id }) => id === look.zoneId)) {
          throw new HttpFailure('bad-input', 'this lawn has no such zone', [
            'looks',
            index,
            'zoneId',
          ]);
        }
        if (look.patchId && !body.patches.some(({ id }) => id === look.patchId)) {
          throw new HttpFailure('bad-input', 'this lawn has no such patch', [
            'looks',
            index,
            'patchId',
          ]);
        }
      });
    },
    present: (_who, _lawnId, list) => Promise.resolve(list.map(plainDocument)),
  };
}
