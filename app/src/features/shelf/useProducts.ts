import { LIBRARY, shelfOf, type Shelf } from '@alfombra/core';
import { useCompany } from '@/api/queries';

/** Every product as the company has it; the library until its labels are known. */
export function useProducts(): Shelf {
  const { data } = useCompany();
  return data ? shelfOf(data.policy.labels) : LIBRARY;
}
