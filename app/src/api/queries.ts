import {
  applicationRecordSchema,
  companySchema,
  lawnSchema,
  lawnSummarySchema,
  readingSchema,
  userSchema,
  visitSchema,
  weatherBundleSchema,
  type ApplicationRecordBody,
  type CompanyUpdate,
  type Lawn,
  type SignIn,
  type VisitBody,
} from '@alfombra/core';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { z } from 'zod';
import { remove, request } from './request';

const MINUTE = 60_000;

/** Keys of everything that is asked for; under `lawn` lies all that belongs to one. */
export const keys = {
  session: ['session'] as const,
  company: ['company'] as const,
  lawns: ['lawns'] as const,
  lawn: (id: string) => ['lawn', id] as const,
};

export const useSession = () =>
  useQuery({
    queryKey: keys.session,
    queryFn: () => request(userSchema, 'GET', '/api/session'),
    retry: false,
    staleTime: 5 * MINUTE,
  });

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (who: SignIn) => request(userSchema, 'POST', '/api/session', who),
    onSuccess: async (user) => {
      client.setQueryData(keys.session, user);
      await client.invalidateQueries({ predicate: (query) => query.queryKey[0] !== 'session' });
    },
  });
}

export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => remove('/api/session'),
    onSettled: () => client.clear(),
  });
}

export const useCompany = () =>
  useQuery({
    queryKey: keys.company,
    queryFn: () => request(companySchema, 'GET', '/api/company'),
    staleTime: MINUTE,
  });

export function useUpdateCompany() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (change: CompanyUpdate) => request(companySchema, 'PUT', '/api/company', change),
    onSuccess: async (company) => {
      client.setQueryData(keys.company, company);
      await client.invalidateQueries({ queryKey: ['lawns'] });
      await client.invalidateQueries({ queryKey: ['lawn'] });
    },
  });
}

export const useLawns = () =>
  useQuery({
    queryKey: keys.lawns,
    queryFn: () => request(z.array(lawnSummarySchema), 'GET', '/api/lawns'),
    staleTime: MINUTE,
  });

export const useLawn = (id: string) =>
  useQuery({
    queryKey: keys.lawn(id),
    queryFn: () => request(lawnSchema, 'GET', `/api/lawns/${id}`),
    staleTime: MINUTE,
  });

export const useVisits = (id: string) =>
  useQuery({
    queryKey: [...keys.lawn(id), 'visits'],
    queryFn: () => request(z.array(visitSchema), 'GET', `/api/lawns/${id}/visits`),
    staleTime: MINUTE,
  });

export const useRecords = (id: string) =>
  useQuery({
    queryKey: [...keys.lawn(id), 'records'],
    queryFn: () => request(z.array(applicationRecordSchema), 'GET', `/api/lawns/${id}/records`),
    staleTime: MINUTE,
  });

export const useReadings = (id: string) =>
  useQuery({
    queryKey: [...keys.lawn(id), 'readings'],
    queryFn: () => request(z.array(readingSchema), 'GET', `/api/lawns/${id}/readings`),
    staleTime: MINUTE,
  });

export const useWeather = (id: string) =>
  useQuery({
    queryKey: [...keys.lawn(id), 'weather'],
    queryFn: () => request(weatherBundleSchema, 'GET', `/api/lawns/${id}/weather`),
    staleTime: 10 * MINUTE,
  });

/** After a write: the lawn, all that belongs to it, and the list with what is due. */
function useRefresh(lawnId: string) {
  const client = useQueryClient();
  return async () => {
    await Promise.all([
      client.invalidateQueries({ queryKey: keys.lawn(lawnId) }),
      client.invalidateQueries({ queryKey: keys.lawns }),
    ]);
  };
}

export function usePutLawn(lawnId: string) {
  const refresh = useRefresh(lawnId);
  return useMutation({
    mutationFn: ({ id, ...body }: Lawn) => request(lawnSchema, 'PUT', `/api/lawns/${id}`, body),
    onSuccess: refresh,
  });
}

export function usePutVisit(lawnId: string) {
  const refresh = useRefresh(lawnId);
  return useMutation({
    mutationFn: ({ id, version, body }: { id: string; version: number; body: VisitBody }) =>
      request(visitSchema, 'PUT', `/api/visits/${id}`, { ...body, version }),
    onSuccess: refresh,
  });
}

export function usePutRecord(lawnId: string) {
  const refresh = useRefresh(lawnId);
  return useMutation({
    mutationFn: ({ id, body }: { id: string; body: ApplicationRecordBody }) =>
      request(applicationRecordSchema, 'PUT', `/api/records/${id}`, { ...body, version: 0 }),
    onSuccess: refresh,
  });
}
