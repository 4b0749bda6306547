import { createHash } from 'node:crypto';
import {
  type ApplicationRecordBody,
  DIGEST_LETTERS,
  lawnBodySchema,
  TAKE_ALONG_GROUPS,
  takenSchema,
  type Company,
  type Customer,
  type CustomerBody,
  type LawnFile,
  type ReadingBody,
  type SoilSampleBody,
  type TakeAlong,
  type Taken,
  type VisitBody,
  type WeatherBundle,
} from '@alfombra/core';
import { judgeRecord } from '@alfombra/core/judging';
import { Router } from 'express';
import type { CompanyService } from '../companies/service';
import { presentCustomer } from '../customers/routes';
import type { DocumentStore, Stored } from '../documents/store';
import { whoIs } from '../http/whoIs';
import { byLawn } from '../lawns/byLawn';
import { presentLawn, type LawnService } from '../lawns/service';
import type { PhotoService } from '../photos/service';
import type { ReportService } from '../reports/service';
import type { SoilLaboratory } from '../standins/soilLaboratory';
import type { WeatherService } from '../weather/service';

export interface TakeAlongParts {
  companies: CompanyService;
  customers: DocumentStore<CustomerBody>;
  lawns: LawnService;
  visits: DocumentStore<VisitBody>;
  records: DocumentStore<ApplicationRecordBody>;
  readings: DocumentStore<ReadingBody>;
  samples: DocumentStore<SoilSampleBody>;
  photos: PhotoService;
  reports: ReportService;
  laboratory: SoilLaboratory;
  weather: WeatherService;
}

/** Everything a phone needs where there is no signal, in one answer. */
export function takeAlongRoutes(parts: TakeAlongParts): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const taken = takenSchema.parse(request.query);
    const company = await parts.companies.get(whoIs(response).companyId);
    response.json(await since(taken, await everything(parts, company)));
  });
  return router;
}

interface Everything {
  company: Company;
  customers: Customer[];
  files: LawnFile[];
  weather: Record<string, WeatherBundle>;
}

async function everything(parts: TakeAlongParts, company: Company): Promise<Everything> {
  // Latest first, as the lists under a lawn are.
  const latest = (a: { body: { date: string }; id: string }) => `${a.body.date} ${a.id}`;
  const of = <Body extends { lawnId: string; date: string }>(documents: DocumentStore<Body>) =>
    documents
      .list(company.id)
      .then((list) => byLawn(list.sort((a, b) => (latest(a) < latest(b) ? 1 : -1))));
  const [lawns, visits, records, readings, samples, photos, reports, customers] = await Promise.all(
    [
      parts.lawns.lawns.list(company.id),
      of(parts.visits),
      of(parts.records),
      of(parts.readings),
      of(parts.samples),
      of(parts.photos.store),
      of(parts.reports.store),
      parts.customers.list(company.id),
    ],
  );
  const plain = <Body>({ id, version, body }: { id: string; version: number; body: Body }) => ({
    ...body,
    id,
    version,
  });
  const listed = <Body>(by: ReadonlyMap<string, Stored<Body>[]>) => [...by.values()].flat();
  const [pictures, links] = await Promise.all([
    parts.photos.present(listed(photos)).then(byId),
    parts.reports.present(company.id, listed(reports)).then(byId),
  ]);
  const weather: Record<string, WeatherBundle> = {};
  for (const stationId of new Set(lawns.map(({ body }) => body.stationId))) {
    if (parts.weather.has(stationId)) {
      weather[stationId] = await parts.weather.bundle(company.id, stationId, company.today);
    }
  }
  // Not through each resource's own `present`: that would ask the database again for every lawn.
  const files: LawnFile[] = [];
  for (const lawn of lawns) {
    // A lawn that cannot be read is marked on the list; the others are taken along.
    if (!lawnBodySchema.safeParse(lawn.body).success) continue;
    const done = (records.get(lawn.id) ?? []).map(plain);
    const bags = (samples.get(lawn.id) ?? []).map((sample) => ({
      ...plain(sample),
      report: sample.body.report ?? parts.laboratory.reportOn(sample.body, company.today),
    }));
    files.push({
      lawn: presentLawn(lawn),
      visits: (visits.get(lawn.id) ?? []).map(plain),
      records: done.map((record) => ({
        ...record,
        findings: judgeRecord(record, lawn.body, done, company.policy, bags),
      })),
      readings: (readings.get(lawn.id) ?? []).map(plain),
      samples: bags,
      photos: (photos.get(lawn.id) ?? []).map(({ id }) => pictures.get(id)!),
      reports: (reports.get(lawn.id) ?? []).map(({ id }) => links.get(id)!),
    });
    // Everybody else's requests come in between.
    if (files.length % AT_ONCE === 0) await new Promise((resume) => setImmediate(resume));
  }
  return { company, customers: customers.map(presentCustomer), files, weather };
}

const byId = <Row extends { id: string }>(rows: readonly Row[]): Map<string, Row> =>
  new Map(rows.map((row) => [row.id, row]));

/** Lawns put together without a pause. */
const AT_ONCE = 20;

const digest = (text: string): string =>
  createHash('sha256').update(text).digest('base64url').slice(0, DIGEST_LETTERS);

/** The group of a lawn, by its id alone: the same on every server and every day. */
const groupOf = (id: string): number =>
  createHash('sha256').update(id).digest().readUInt16BE(0) % TAKE_ALONG_GROUPS;

/** Leaves out what the phone has, and says what it has then. */
async function since(has: Taken, all: Everything): Promise<TakeAlong> {
  const groups: LawnFile[][] = Array.from({ length: TAKE_ALONG_GROUPS }, () => []);
  for (const file of all.files) groups[groupOf(file.lawn.id)]!.push(file);
  const digests: string[] = [];
  for (const files of groups) {
    digests.push(digest(JSON.stringify(files)));
    // A group is a few lawns; everybody else's requests come in between.
    await new Promise((resume) => setImmediate(resume));
  }
  const taken = {
    company: digest(JSON.stringify(all.company)),
    customers: digest(JSON.stringify(all.customers)),
    files: digests.join(''),
    weather: digest(JSON.stringify(all.weather)),
  };
  const hasGroup = (index: number) =>
    has.files?.slice(index * DIGEST_LETTERS, (index + 1) * DIGEST_LETTERS) === digests[index];
  return {
    ...(has.company === taken.company ? {} : { company: all.company }),
    ...(has.customers === taken.customers ? {} : { customers: all.customers }),
    ...(has.weather === taken.weather ? {} : { weather: all.weather }),
    files: groups.flatMap((files, index) => (hasGroup(index) ? [] : files)),
    lawns: all.files.length,
    taken,
  };
}
