import type { ApplicationRecord, ApplicationRecordBody, Company, Lawn } from '@alfombra/core';
import { judgeRecord } from '@alfombra/core/judging';
import { useRecords, useSamples, useWrite } from './queries';

/** Writes a record and gives it back as the checker judges it. */
export function usePutRecord(lawn: Lawn, company: Company) {
  const others = useRecords(lawn.id).data ?? [];
  const samples = useSamples(lawn.id).data ?? [];
  return useWrite(
    lawn.id,
    ({ id, body }: { id: string; body: ApplicationRecordBody }) => ({
      kind: 'record',
      id,
      body,
    }),
    ({ id, body }, sent): ApplicationRecord => ({
      ...body,
      id,
      version: sent?.version ?? 0,
      findings: judgeRecord({ ...body, id }, lawn, others, company.policy, samples),
    }),
  );
}
