import type { ApplicationRecord, ApplicationRecordBody, Company, Lawn } from '@alfombra/core';
import { judgeRecord } from '@alfombra/core/judging';
import { useMutation } from '@tanstack/react-query';
import { useRecords, useSamples } from './queries';
import { useChange } from './writes';
import { write, writeAll } from './sync/sync';

/** Writes the records of one piece of work, all or none of them, and gives them back as the checker judges them. */
export function usePutRecords(lawn: Lawn, company: Company) {
  const others = useRecords(lawn.id).data ?? [];
  const samples = useSamples(lawn.id).data ?? [];
  const change = useChange();
  return useMutation({
    mutationFn: async (records: readonly { id: string; body: ApplicationRecordBody }[]) => {
      const changes = records.map(({ id, body }) => change(lawn.id, { kind: 'record', id, body }));
      if (changes[0] && changes.length === 1) await write(changes[0]);
      else await writeAll(changes);
      return records.map(({ id, body }): ApplicationRecord => ({
        ...body,
        id,
        version: 0,
        findings: judgeRecord({ ...body, id }, lawn, others, company.policy, samples),
      }));
    },
  });
}
