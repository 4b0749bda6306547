import {
  findingsOf,
  seasonRequestSchema,
  zoneArea,
  type ApplicationRecordBody,
  type Company,
  type Lawn,
  type LawnBody,
  type LawnSummary,
  type ReadingBody,
  type Step,
  type VisitBody,
  type WeatherBundle,
} from '@alfombra/core';
import { lawnSeason } from '@alfombra/core/planning';
import type { DocumentStore, Stored } from '../documents/store';
import { HttpFailure } from '../http/failure';
import type { WeatherService } from '../weather/service';

/** Everything stored about one lawn. */
interface LawnFile {
  lawn: Stored<LawnBody>;
  visits: Stored<VisitBody>[];
  records: Stored<ApplicationRecordBody>[];
  readings: Stored<ReadingBody>[];
}

export const presentLawn = ({ id, version, body }: Stored<LawnBody>): Lawn => ({
  ...body,
  id,
  version,
});

const MOST_SUMMARIES_KEPT = 5000;

export class LawnService {
  /** Summaries by everything they depend on; any process may drop or rebuild them. */
  private readonly summaries = new Map<string, LawnSummary>();

  constructor(
    readonly lawns: DocumentStore<LawnBody>,
    private readonly visits: DocumentStore<VisitBody>,
    private readonly records: DocumentStore<ApplicationRecordBody>,
    private readonly readings: DocumentStore<ReadingBody>,
    private readonly weather: WeatherService,
  ) {}

  /** The lawn's weather on the company's day. */
  async weatherOf(company: Company, lawnId: string): Promise<WeatherBundle> {
    const { body } = await this.lawns.get(company.id, lawnId);
    return this.weather.bundle(company.id, body.stationId, company.today);
  }

  /** @throws HttpFailure `bad-input` when a patch lies in a zone that the lawn does not have */
  async put(companyId: string, id: string, version: number, body: LawnBody): Promise<Lawn> {
    const zones = new Set(body.zones.map((zone) => zone.id));
    body.patches.forEach((patch, index) => {
      if (!zones.has(patch.zoneId)) {
        throw new HttpFailure(
          'bad-input',
          'the patch lies in a zone that this lawn does not have',
          ['patches', index, 'zoneId'],
        );
      }
    });
    return presentLawn(await this.lawns.put(companyId, id, version, body));
  }

  /** Every lawn with what is due; seasons are worked out once for each state of a lawn. */
  async summarize(company: Company): Promise<LawnSummary[]> {
    const [lawns, visits, records, readings, stamp] = await Promise.all([
      this.lawns.list(company.id),
      this.visits.list(company.id),
      this.records.list(company.id),
      this.readings.list(company.id),
      this.weather.stamp(company.id),
    ]);
    const bundles = new Map<string, WeatherBundle>();
    for (const { body } of lawns) {
      if (!bundles.has(body.stationId)) {
        bundles.set(
          body.stationId,
          await this.weather.bundle(company.id, body.stationId, company.today),
        );
      }
    }
    const visitsOf = byLawn(visits);
    const recordsOf = byLawn(records);
    const readingsOf = byLawn(readings);
    const result: LawnSummary[] = [];
    for (const lawn of lawns) {
      const file: LawnFile = {
        lawn,
        visits: visitsOf.get(lawn.id) ?? [],
        records: recordsOf.get(lawn.id) ?? [],
        readings: readingsOf.get(lawn.id) ?? [],
      };
      const key = [
        lawn.id,
        ...[lawn, ...file.visits, ...file.records, ...file.readings].map((row) => row.version),
        company.today,
        company.version,
        stamp,
      ].join('|');
      let summary = this.summaries.get(key);
      if (!summary) {
        summary = summarizeLawn(company, file, bundles.get(lawn.body.stationId) as WeatherBundle);
        if (this.summaries.size >= MOST_SUMMARIES_KEPT) this.summaries.clear();
        this.summaries.set(key, summary);
        // A cold list of many lawns must not keep other requests waiting.
        await new Promise((resume) => setImmediate(resume));
      }
      result.push(summary);
    }
    return result.sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
  }
}

function byLawn<Body extends { lawnId: string }>(
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

function summarizeLawn(company: Company, file: LawnFile, weather: WeatherBundle): LawnSummary {
  const { body, id } = file.lawn;
  const request = seasonRequestSchema.parse({
    today: company.today,
    region: body.region,
    upkeep: body.upkeep,
    zones: body.zones,
    findings: findingsOf(file.visits.map((visit) => ({ ...visit.body, id: visit.id }))),
    policy: company.policy,
    choices: body.choices,
  });
  const { season } = lawnSeason(
    request,
    weather,
    file.readings.map((reading) => ({ ...reading.body, id: reading.id })),
    file.records.map((record) => ({ ...record.body, id: record.id })),
  );
  const zoneName = (step: Step) => body.zones.find((zone) => zone.id === step.zoneId)?.name ?? '';
  const upcoming = season.steps.filter(({ state }) => state === 'upcoming')[0];
  const areas = body.zones.map((zone) => zoneArea(zone));
  const areaFt2 = areas.reduce((sum, area) => sum + area, 0);
  const cover = new Map<string, number>();
  body.zones.forEach((zone, index) =>
    zone.stand.forEach((share) =>
      cover.set(
        share.species,
        (cover.get(share.species) ?? 0) + (share.cover * (areas[index] as number)) / areaFt2,
      ),
    ),
  );
  return {
    id,
    name: body.name,
    customer: body.customer,
    region: body.region,
    areaFt2,
    grasses: [...cover]
      .map(([species, share]) => ({ species, cover: share }))
      .sort((a, b) => b.cover - a.cover),
    lastVisit:
      file.visits
        .map((visit) => visit.body.date)
        .sort()
        .pop() ?? null,
    due: season.steps
      .filter(({ state }) => state === 'open')
      .map((step) => ({
        stepId: step.id,
        kind: step.kind,
        zone: zoneName(step),
        closes: step.window.closes,
      })),
    next: upcoming ? { kind: upcoming.kind, opens: upcoming.window.opens } : null,
    clashes: season.clashes.filter(({ choice }) => choice === null).length,
  };
}
