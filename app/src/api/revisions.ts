import { lawnRevisionSchema, type LocalDate } from '@alfombra/core';
import { useQuery } from '@tanstack/react-query';
import { z } from 'zod';
import { keys } from './keys';
import { request } from './request';

/** What moved in a lawn's plan as the server keeps it, the newest first; asked anew for each state of the lawn and each day. */
export const useRevisions = (lawnId: string, state: { version: number; today: LocalDate }) =>
  useQuery({
    queryKey: keys.revisions(lawnId, state),
    queryFn: () => request(z.array(lawnRevisionSchema), 'GET', `/api/lawns/${lawnId}/revisions`),
  });
