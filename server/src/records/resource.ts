import {
  applicationRecordBodySchema,
  lawnBodySchema,
  type ApplicationRecordBody,
  type LawnBody,
  type SoilSampleBody,
} from '@alfombra/core';
import { judgeRecord, type CheckFinding } from '@alfombra/core/judging';
import type { CompanyService } from '../companies/service';
import type { LawnDocumentOptions } from '../documents/lawnDocumentRoutes';
import type { DocumentStore, Stored } from '../documents/store';
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
  const judge = async (
    companyId: string,
    { id, body }: Pick<Stored<ApplicationRecordBody>, 'id' | 'body'>,
  ): Promise<CheckFinding[]> => {
    const [lawn, others, company, bags] = await Promise.all([
      lawns.get(companyId, body.lawnId),
      store.list(companyId, body.lawnId),
      companies.get(companyId),
      samples.store.list(companyId, body.lawnId),
    ]);
    return judgeRecord(
      { ...body, id },
      lawn.body,
      others.map((other) => ({ ...other.body, id: other.id })),
      company.policy,
      bags.map(({ body: bag }) => ({
        ...bag,
        report: bag.report ?? samples.laboratory.reportOn(bag, company.today),
      })),
    );
  };
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
      const today = companies.dayAt(company, lawnBodySchema.parse(body));
      if (record.date > today) {
        throw new HttpFailure('bad-input', `the day is after today (${today})`, ['date']);
      }
    },
    present: async ({ companyId }, stored) => ({
      ...stored.body,
      id: stored.id,
      version: stored.version,
      findings: await judge(companyId, stored),
    }),
  };
}
