import { createHash, randomUUID } from 'node:crypto';
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
import type { Sequelize } from 'sequelize';
import type { CompanyService } from '../companies/service';
import { presentCustomer } from '../customers/routes';
import { companyMarks } from '../documents/companyMarks';
import { KeptByMark } from '../documents/keptByMark';
import type { DocumentStore } from '../documents/store';
import { whoIs } from '../http/whoIs';
import type { WeatherService } from '../weather/service';
import { FileKeeper, type FileParts, type KeptFile } from './fileKeeper';

export interface TakeAlongParts extends FileParts {
  sequelize: Sequelize;
  companies: CompanyService;
  customers: DocumentStore<CustomerBody>;
  weather: WeatherService;
}

/** What a company's phones may take along, ready to be sent, and the digest of each part. */
interface Ready {
  parts: Record<Part, string>;
  /** Lawns by the group that each is in. */
  groups: KeptFile[][];
  taken: Required<Taken>;
  lawns: number;
}
const PARTS = ['company', 'customers', 'weather'] as const;
type Part = (typeof PARTS)[number];

/** Letters of parts that are no lawns kept in memory, of all companies; the lawns are kept by their own keeper. */
const MOST_KEPT = 50e6;

/** Everything a phone needs where there is no signal, in one answer. */
export function takeAlongRoutes(parts: TakeAlongParts): Router {
  const router = Router();
  const keeper = new FileKeeper(parts);
  const kept = new KeptByMark<Ready>(
    (ready) => PARTS.reduce((sum, part) => sum + ready.parts[part].length, 0),
    MOST_KEPT,
  );
  router.get('/', async (request, response) => {
    const has = takenSchema.parse(request.query);
    const company = await parts.companies.get(whoIs(response).companyId);
    const [marks, arriving] = await Promise.all([
      companyMarks(parts.sequelize, company.id),
      parts.photos.arriving(company.id),
    ]);
    // How much of a photo has come is in no version.
    const mark = JSON.stringify([company, marks, arriving.length > 0 ? randomUUID() : null]);
    response
      .type('json')
      .send(since(has, await kept.of(company.id, mark, () => made(parts, keeper, company))));
  });
  return router;
}

async function made(parts: TakeAlongParts, keeper: FileKeeper, company: Company): Promise<Ready> {
  const [files, customers, weather] = await Promise.all([
    keeper.files(company),
    parts.customers.list(company.id),
    weatherOf(parts, company),
  ]);
  const groups: KeptFile[][] = Array.from({ length: TAKE_ALONG_GROUPS }, () => []);
  for (const file of files) groups[groupOf(file.id)]!.push(file);
  const json = {
    company: JSON.stringify(company),
    customers: JSON.stringify(customers.map(presentCustomer)),
    weather: JSON.stringify(weather),
  };
  return {
    parts: json,
    groups,
    lawns: files.length,
    taken: {
      company: digest(json.company),
      customers: digest(json.customers),
      files: groups.map((group) => digest(group.map((file) => file.digest).join())).join(''),
      weather: digest(json.weather),
    },
  };
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
 * @returns JSON of a `TakeAlong`, put together of what is JSON already
 */
function since(has: Taken, { parts, groups, lawns, taken }: Ready): string {
  const ofGroup = (digests: string | undefined, index: number) =>
    digests?.slice(index * DIGEST_LETTERS, (index + 1) * DIGEST_LETTERS);
  const sent = groups.flatMap((group, index) =>
    ofGroup(has.files, index) === ofGroup(taken.files, index) ? [] : group,
  );
  return `{${[
    ...PARTS.filter((part) => has[part] !== taken[part]).map((part) => `"${part}":${parts[part]}`),
    `"files":[${sent.map(({ json }) => json).join()}]`,
    `"lawns":${lawns}`,
    `"taken":${JSON.stringify(taken)}`,
  ].join()}}`;
}
