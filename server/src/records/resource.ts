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
import { withReport, type SoilLaboratory } from '../standins/soilLaboratory';

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
  /** Name and license of a member are the company's own, not what a body says. */
  const applicatorOf = async (
    companyId: string,
    { applicatorKind, applicatorId, applicator, licence }: ApplicationRecordBody,
  ) => {
    if (applicatorKind !== 'member') return { applicatorId: null };
    const { members } = await companies.get(companyId);
    const member = members.find(
      ({ id, name, licence: own }) =>
        id === applicatorId || (applicatorId === null && name === applicator && own === licence),
    );
    if (!member?.licence) {
      throw new HttpFailure('bad-input', 'nobody of the company has this name and license', [
        'applicator',
      ]);
    }
    return { applicatorId: member.id, applicator: member.name, licence: member.licence };
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
      const today = companies.dayAt(company, body);
      if (record.date > today) {
        throw new HttpFailure('bad-input', `the day is after today (${today})`, ['date']);
      }
    },
    complete: async ({ user, companyId }, id, record) => {
      const before = await store.find(companyId, id);
      const writer = before?.body.enteredBy;
      if (writer && writer.id !== user.id) {
        throw new HttpFailure(
          'not-allowed',
          `${writer.name} entered this record; it stands as it is.`,
        );
      }
      if (before && before.body.lawnId !== record.lawnId) {
        throw new HttpFailure('bad-input', 'a record stays with its lawn', ['lawnId']);
      }
      return {
        ...record,
        ...(await applicatorOf(companyId, record)),
        enteredBy: writer ?? { id: user.id, name: user.name },
      };
    },
    present: async ({ companyId }, lawnId, list, whole) => {
      if (list.length === 0) return [];
      const [lawn, all, company, bags] = await Promise.all([
        lawns.get(companyId, lawnId),
        whole ? Promise.resolve([...list]) : store.list(companyId, lawnId),
        companies.get(companyId),
        samples.store.list(companyId, lawnId),
      ]);
      const others = all.map(plainDocument);
      const reported = bags.map(({ body: bag }) =>
        withReport(samples.laboratory, bag, company.today),
      );
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
