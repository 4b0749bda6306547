import {
  applicationRecordBodySchema,
  type ApplicationRecordBody,
  type LawnBody,
  type SoilSampleBody,
} from '@alfombra/core';
import { judgeRecord } from '@alfombra/core/judging';
import type { CompanyService } from '../companies/service';
import type { LawnDocumentOptions } from '../documents/lawnDocumentRoutes';
import { plainDocument, type DocumentStore } from '../documents/store';
import { HttpFailure } from '../http/failure';
import type { SoilLaboratory } from '../standins/soilLaboratory';

/**
 * Application records. The checker judges each one beside the others of its zone; an exceedance is
 * flagged and kept, since what was done was done.
 */
export function recordResource(
  store: DocumentStore<ApplicationRecordBody>,
  lawns: DocumentStore<LawnBody>,
  companies: CompanyService,
  samples: { store: DocumentStore<SoilSampleBody>; laboratory: SoilLaboratory },
): LawnDocumentOptions<ApplicationRecordBody> {
  return {
    store,
    lawns,
    schema: applicationRecordBodySchema,
    check: async ({ companyId }, _id, record) => {
      const [{ body }, company] = await Promise.all([
        lawns.get(companyId, record.lawnId),
        companies.get(companyId),
      ]);
      if (!body.zones.some(({ id }) => id === record.zoneId)) {
        throw new HttpFailure('bad-input', 'this lawn has no such zone', ['zoneId']);
      }
      const today = companies.dayAt(company, body);
      if (record.date > today) {
        throw new HttpFailure('bad-input', `the day is after today (${today})`, ['date']);
      }
    },
    present: async ({ companyId }, lawnId, list) => {
      if (list.length === 0) return [];
      const [lawn, all, company, bags] = await Promise.all([
        lawns.get(companyId, lawnId),
        store.list(companyId, lawnId),
        companies.get(companyId),
        samples.store.list(companyId, lawnId),
      ]);
      const others = all.map(plainDocument);
      const reported = bags.map(({ body: bag }) => ({
        ...bag,
        report: bag.report ?? samples.laboratory.reportOn(bag, company.today),
      }));
      const judged: object[] = [];
      for (const stored of list) {
        const record = plainDocument(stored);
        judged.push({
          ...record,
          findings: judgeRecord(record, lawn.body, others, company.policy, reported),
        });
        // Years of records are judged between other people's requests.
        if (judged.length % AT_ONCE === 0) await new Promise((resume) => setImmediate(resume));
      }
      return judged;
    },
  };
}

/** Records judged without a pause. */
const AT_ONCE = 20;
