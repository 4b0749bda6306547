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

/** Lawns by the group that each is in. */
interface Grouped {
  groups: KeptFile[][];
  /** The digest of each group, one after the other. */
  digests: string;
  lawns: number;
}
/** Parts that are no lawns. */
const PARTS = ['company', 'customers', 'weather'] as const;
interface Part {
  json: string;
  digest: string;
}

/** Letters of a part kept in memory, of all companies; the lawns are kept by their own keeper. */
const MOST_KEPT = 25e6;

/** Everything a phone needs where there is no signal, in one answer. */
export function takeAlongRoutes(parts: TakeAlongParts): Router {
  const router = Router();
  const keeper = new FileKeeper(parts);
  const letters = ({ json }: Part) => json.length;
  const kept = {
    files: new KeptByMark<Grouped>(({ digests }) => digests.length, MOST_KEPT),
    customers: new KeptByMark<Part>(letters, MOST_KEPT),
    weather: new KeptByMark<Part>(letters, MOST_KEPT),
  };
  router.get('/', async (request, response) => {
    const has = takenSchema.parse(request.query);
    const company = await parts.companies.get(whoIs(response).companyId);
    const { id, today, policy } = company;
    const [{ customers, station_versions, ...ofLawns }, arriving] = await Promise.all([
      companyMarks(parts.sequelize, id),
      parts.photos.arriving(id),
    ]);
    const [files, customerList, weather] = await Promise.all([
      kept.files.of(id, JSON.stringify([ofLawns, arriving, today, policy]), async () =>
        grouped(await keeper.files(company)),
      ),
      kept.customers.of(id, customers, async () =>
        part((await parts.customers.list(id)).map(presentCustomer)),
      ),
      kept.weather.of(id, JSON.stringify([ofLawns.lawns, station_versions, today]), async () =>
        part(await weatherOf(parts, company)),
      ),
    ]);
    response
      .type('json')
      .send(since(has, files, { company: part(company), customers: customerList, weather }));
  });
  return router;
}

function grouped(files: readonly KeptFile[]): Grouped {
  const groups: KeptFile[][] = Array.from({ length: TAKE_ALONG_GROUPS }, () => []);
  for (const file of files) groups[groupOf(file.id)]!.push(file);
  const digests = groups.map((group) => digest(group.map((file) => file.digest).join())).join('');
  return { groups, digests, lawns: files.length };
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

function part(value: object): Part {
  const json = JSON.stringify(value);
  return { json, digest: digest(json) };
}

/** The group of a lawn, by its id alone: the same on every server and every day. */
const groupOf = (id: string): number =>
  createHash('sha256').update(id).digest().readUInt16BE(0) % TAKE_ALONG_GROUPS;

/**
 * Leaves out what the phone has, and says what it has then.
 * @returns JSON of a `TakeAlong`, put together of what is JSON already
 */
function since(
  has: Taken,
  { groups, digests, lawns }: Grouped,
  parts: Record<(typeof PARTS)[number], Part>,
): string {
  const ofGroup = (all: string | undefined, index: number) =>
    all?.slice(index * DIGEST_LETTERS, (index + 1) * DIGEST_LETTERS);
  const sent = groups.flatMap((group, index) =>
    ofGroup(has.files, index) === ofGroup(digests, index) ? [] : group,
  );
  const taken = {
    company: parts.company.digest,
    customers: parts.customers.digest,
    files: digests,
    weather: parts.weather.digest,
  };
  return `{${[
    ...PARTS.filter((name) => has[name] !== taken[name]).map(
      (name) => `"${name}":${parts[name].json}`,
    ),
    `"files":[${sent.map(({ json }) => json).join()}]`,
    `"lawns":${lawns}`,
    `"taken":${JSON.stringify(taken)}`,
  ].join()}}`;
}
