import { weatherBundleSchema } from '@alfombra/core';
import { useQuery } from '@tanstack/react-query';
import { keys, MINUTE } from './keys';
import { request } from './request';

/** Measured days, forecast and climate of a station. */
export const useWeather = (stationId: string | undefined) =>
  useQuery({
    queryKey: keys.weather(stationId ?? ''),
    queryFn: () => request(weatherBundleSchema, 'GET', `/api/stations/${stationId}/weather`),
    enabled: stationId !== undefined,
    staleTime: 10 * MINUTE,
  });
