import { createHash } from 'node:crypto';
import {
  DIGEST_LETTERS,
  TAKE_ALONG_GROUPS,
  takenSchema,
  type Company,
  type CustomerBody,
  type Taken,
  type WeatherBundle,
} from '@alfombra/core';
import { Router } from 'express';
import type { CompanyService } from '../companies/service';
import { presentCustomer } from '../customers/routes';
import type { DocumentStore } from '../documents/store';
import { whoIs } from '../http/whoIs';
import type { WeatherService } from '../weather/service';
import { FileKeeper, type FileParts, type KeptFile } from './fileKeeper';

export interface TakeAlongParts extends FileParts {
  companies: CompanyService;
  customers: DocumentStore<CustomerBody>;
  weather: WeatherService;
}

/** Everything a phone needs where there is no signal, in one answer. */
export function takeAlongRoutes(parts: TakeAlongParts): Router {
  const router = Router();
  const keeper = new FileKeeper(parts);
  router.get('/', async (request, response) => {
    const has = takenSchema.parse(request.query);
    const company = await parts.companies.get(whoIs(response).companyId);
    const [files, customers, weather] = await Promise.all([
      keeper.files(company),
      parts.customers.list(company.id),
      weatherOf(parts, company),
    ]);
    response.type('json').send(
      since(has, files, {
        company: JSON.stringify(company),
        customers: JSON.stringify(customers.map(presentCustomer)),
        weather: JSON.stringify(weather),
      }),
    );
  });
  return router;
}

/** The weather of every station that a lawn lies at. */
async function weatherOf(
  { lawns, weather }: TakeAlongParts,
  company: Company,
): Promise<Record<string, WeatherBundle>> {
  const bundles: Record<string, WeatherBundle> = {};
  for (const stationId of await lawns.stations(company.id)) {
    if (weather.has(stationId)) {
      bundles[stationId] = await weather.bundle(company.id, stationId, company.today);
    }
  }
  return bundles;
}

const digest = (text: string): string =>
  createHash('sha256').update(text).digest('base64url').slice(0, DIGEST_LETTERS);

/** The group of a lawn, by its id alone: the same on every server and every day. */
const groupOf = (id: string): number =>
  createHash('sha256').update(id).digest().readUInt16BE(0) % TAKE_ALONG_GROUPS;

/**
 * Leaves out what the phone has, and says what it has then.
 * @param parts JSON of each part that is no lawn
 * @returns JSON of a `TakeAlong`, put together of what is JSON already
 */
function since(
  has: Taken,
  files: readonly KeptFile[],
  parts: Record<'company' | 'customers' | 'weather', string>,
): string {
  const groups: KeptFile[][] = Array.from({ length: TAKE_ALONG_GROUPS }, () => []);
  for (const file of files) groups[groupOf(file.id)]!.push(file);
  const digests = groups.map((group) => digest(group.map((file) => file.digest).join()));
  const taken = {
    company: digest(parts.company),
    customers: digest(parts.customers),
    files: digests.join(''),
    weather: digest(parts.weather),
  };
  const hasGroup = (index: number) =>
    has.files?.slice(index * DIGEST_LETTERS, (index + 1) * DIGEST_LETTERS) === digests[index];
  const sent = groups.flatMap((group, index) => (hasGroup(index) ? [] : group));
  return `{${[
    ...(['company', 'customers', 'weather'] as const)
      .filter((part) => has[part] !== taken[part])
      .map((part) => `"${part}":${parts[part]}`),
    `"files":[${sent.map(({ json }) => json).join()}]`,
    `"lawns":${files.length}`,
    `"taken":${JSON.stringify(taken)}`,
  ].join()}}`;
}
