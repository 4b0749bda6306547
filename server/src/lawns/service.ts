import {
  lawnBodySchema,
  type ApplicationRecordBody,
  type Company,
  type Lawn,
  type LawnBody,
  type LawnSummary,
  type ReadingBody,
  type SeasonProgress,
  type SoilSampleBody,
  type VisitBody,
  type WeatherBundle,
} from '@alfombra/core';
import { sightingsOf, type Sighting, decidedIn } from '@alfombra/core/planning';
import type { DocumentStore, Stored } from '../documents/store';
import { HttpFailure } from '../http/failure';
import type { WeatherService } from '../weather/service';
import type { LawnFile } from './summarize';
import { SummaryPool, type SummaryJob } from './summaryPool';

/** A lawn as it leaves the server; what older rows lack gets its default. */
export const presentLawn = ({ id, version, body }: Stored<LawnBody>): Lawn => ({
  ...lawnBodySchema.parse(body),
  id,
  version,
});

const MOST_SUMMARIES_KEPT = 5000;

export class LawnService {
  /** Summaries by everything they depend on; any process may drop or rebuild them. */
  private readonly summaries = new Map<string, LawnSummary>();
  /** How far the seasons of a company are worked out, while they are. */
  private readonly progress = new Map<string, SeasonProgress>();

  constructor(
    readonly lawns: DocumentStore<LawnBody>,
    private readonly visits: DocumentStore<VisitBody>,
    private readonly records: DocumentStore<ApplicationRecordBody>,
    private readonly readings: DocumentStore<ReadingBody>,
    private readonly samples: DocumentStore<SoilSampleBody>,
    private readonly weather: WeatherService,
    private readonly pool: SummaryPool = new SummaryPool(),
  ) {}

  /** How far the company's seasons are worked out; all of none when nothing is under way. */
  progressOf(companyId: string): SeasonProgress {
    return this.progress.get(companyId) ?? { done: 0, total: 0 };
  }

  /** The lawn's weather on the company's day. */
  async weatherOf(company: Company, lawnId: string): Promise<WeatherBundle> {
    const { body } = await this.lawns.get(company.id, lawnId);
    return this.weather.bundle(company.id, body.stationId, company.today);
  }

  /** @throws HttpFailure `bad-input` when a patch lies in a zone that the lawn does not have */
  async put(
    companyId: string,
    id: string,
    version: number,
    body: LawnBody,
    writeId?: string,
  ): Promise<Lawn> {
    if (!this.weather.has(body.stationId)) {
      throw new HttpFailure('bad-input', 'there is no such weather station', ['stationId']);
    }
    const zones = new Set(body.zones.map((zone) => zone.id));
    for (const list of ['patches', 'weedPatches'] as const) {
      body[list].forEach((patch, index) => {
        if (!zones.has(patch.zoneId)) {
          throw new HttpFailure(
            'bad-input',
            'the patch lies in a zone that this lawn does not have',
            [list, index, 'zoneId'],
          );
        }
      });
    }
    return presentLawn(await this.lawns.put(companyId, id, version, body, { writeId }));
  }

  /** Every lawn with what is due; seasons are worked out once for each state of a lawn. */
  async summarize(company: Company): Promise<LawnSummary[]> {
    const [lawns, visits, records, readings, samples, stamp] = await Promise.all([
      this.lawns.list(company.id),
      this.visits.list(company.id),
      this.records.list(company.id),
      this.readings.list(company.id),
      this.samples.list(company.id),
      this.weather.stamp(company.id),
    ]);
    const bundles = new Map<string, WeatherBundle>();
    for (const { body } of lawns) {
      if (!bundles.has(body.stationId)) {
        const bundle = await this.weather
          .bundle(company.id, body.stationId, company.today)
          .catch(nothingThere);
        // Without it the lawn is on the list, marked.
        if (bundle) bundles.set(body.stationId, bundle);
      }
    }
    const stationOf = new Map(lawns.map(({ id, body }) => [id, body.stationId]));
    const sightings = sightingsByStation(visits, stationOf, company.today);
    const visitsOf = byLawn(visits);
    const recordsOf = byLawn(records);
    const readingsOf = byLawn(readings);
    const samplesOf = byLawn(samples);
    const result: LawnSummary[] = [];
    const missing: { key: string; job: SummaryJob }[] = [];
    for (const lawn of lawns) {
      const file: LawnFile = {
        lawn,
        visits: visitsOf.get(lawn.id) ?? [],
        records: recordsOf.get(lawn.id) ?? [],
        readings: readingsOf.get(lawn.id) ?? [],
        samples: samplesOf.get(lawn.id) ?? [],
      };
      const key = [
        lawn.id,
        ...[lawn, ...file.visits, ...file.records, ...file.readings, ...file.samples].map(
          (row) => row.version,
        ),
        company.today,
        company.version,
        stamp,
        JSON.stringify(sightings.get(lawn.body.stationId) ?? []),
      ].join('|');
      const known = this.summaries.get(key);
      if (known) result.push(known);
      else missing.push({ key, job: { file, stationId: lawn.body.stationId } });
    }
    if (this.summaries.size + missing.length > MOST_SUMMARIES_KEPT) this.summaries.clear();
    const made = await this.pool.run(
      { company, bundles, sightings },
      missing.map(({ job }) => job),
      (done, total) => this.progress.set(company.id, { done, total }),
    );
    this.progress.delete(company.id);
    made.forEach((summary, index) => {
      this.summaries.set((missing[index] as { key: string }).key, summary);
      result.push(summary);
    });
    return result.sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
  }
}

/** A place that there is not costs its own lawns only. */
const nothingThere = (error: unknown): null => {
  if (error instanceof HttpFailure && error.code === 'not-found') return null;
  throw error;
};

export function byLawn<Body extends { lawnId: string }>(
  rows: Stored<Body>[],
): Map<string, Stored<Body>[]> {
  const map = new Map<string, Stored<Body>[]>();
  for (const row of rows) {
    const list = map.get(row.body.lawnId);
    if (list) list.push(row);
    else map.set(row.body.lawnId, [row]);
  }
  return map;
}

/** What was confirmed lately, by station: one colleague's finding is another's warning. */
function sightingsByStation(
  visits: readonly Stored<VisitBody>[],
  stationOf: ReadonlyMap<string, string>,
  today: Company['today'],
): Map<string, Sighting[]> {
  const byStation = new Map<string, Stored<VisitBody>[]>();
  for (const visit of visits) {
    const station = stationOf.get(visit.body.lawnId);
    if (station) byStation.set(station, [...(byStation.get(station) ?? []), visit]);
  }
  return new Map(
    [...byStation].map(([station, own]) => [
      station,
      sightingsOf(decidedIn(own.map(({ body }) => body)), today),
    ]),
  );
}
