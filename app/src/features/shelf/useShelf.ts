import { policySchema, type Company, type ShelfLabel } from '@alfombra/core';
import { useCompany, useSession, useUpdateCompany } from '@/api/queries';

/** The company's labels and how they are changed; only the owner may. */
export function useShelf() {
  const company = useCompany();
  const session = useSession();
  const update = useUpdateCompany();
  const change = (policy: Partial<Company['policy']>, onDone?: () => void) => {
    const current = company.data;
    if (!current) return;
    update.mutate(
      {
        clock: current.clock,
        policy: { ...current.policy, ...policy },
        version: current.version,
      },
      onDone ? { onSuccess: onDone } : {},
    );
  };
  const labels = company.data?.policy.labels ?? [];
  return {
    ready: company.data !== undefined,
    labels,
    policy: company.data?.policy ?? policySchema.parse({}),
    change,
    onlyShelf: company.data?.policy.onlyShelf ?? false,
    mayChange: session.data?.role === 'owner',
    busy: update.isPending,
    error: update.error,
    keep: (label: ShelfLabel, onDone?: () => void) =>
      change({ labels: [...labels.filter(({ id }) => id !== label.id), label] }, onDone),
    takeIn: (added: readonly ShelfLabel[], onDone?: () => void) => {
      const ids = new Set(added.map(({ id }) => id));
      change({ labels: [...labels.filter(({ id }) => !ids.has(id)), ...added] }, onDone);
    },
    remove: (id: string, onDone?: () => void) =>
      change({ labels: labels.filter((label) => label.id !== id) }, onDone),
    setOnlyShelf: (onlyShelf: boolean) => change({ onlyShelf }),
  };
}
