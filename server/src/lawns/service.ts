import {
  daysBetween,
  decidedIn,
  findingsOf,
  laboratoryDays,
  lapsedByZone,
  lawnBodySchema,
  protectionOf,
  seasonRequestSchema,
  zoneArea,
  type ApplicationRecordBody,
  type Company,
  type Lawn,
  type LawnBody,
  type LawnSummary,
  type Protection,
  type ReadingBody,
  type SoilSampleBody,
  type Step,
  type VisitBody,
  type WeatherBundle,
} from '@alfombra/core';
import {
  lawnSeason,
  riskOfLawn,
  scoutAlerts,
  sightingsOf,
  type Sighting,
} from '@alfombra/core/planning';
import type { DocumentStore, Stored } from '../documents/store';
import { HttpFailure } from '../http/failure';
import { standInLaboratory } from '../standins/soilLaboratory';
import type { WeatherService } from '../weather/service';

/** Everything stored about one lawn. */
interface LawnFile {
  lawn: Stored<LawnBody>;
  visits: Stored<VisitBody>[];
  records: Stored<ApplicationRecordBody>[];
  readings: Stored<ReadingBody>[];
  samples: Stored<SoilSampleBody>[];
}

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

  constructor(
    readonly lawns: DocumentStore<LawnBody>,
    private readonly visits: DocumentStore<VisitBody>,
    private readonly records: DocumentStore<ApplicationRecordBody>,
    private readonly readings: DocumentStore<ReadingBody>,
    private readonly samples: DocumentStore<SoilSampleBody>,
    private readonly weather: WeatherService,
  ) {}

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
        bundles.set(
          body.stationId,
          await this.weather.bundle(company.id, body.stationId, company.today),
        );
      }
    }
    const stationOf = new Map(lawns.map(({ id, body }) => [id, body.stationId]));
    const sightings = sightingsByStation(visits, stationOf, company.today);
    const visitsOf = byLawn(visits);
    const recordsOf = byLawn(records);
    const readingsOf = byLawn(readings);
    const samplesOf = byLawn(samples);
    const result: LawnSummary[] = [];
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
      let summary = this.summaries.get(key);
      if (!summary) {
        summary = summarizeLawn(
          company,
          file,
          bundles.get(lawn.body.stationId) as WeatherBundle,
          sightings.get(lawn.body.stationId) ?? [],
        );
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

function summarizeLawn(
  company: Company,
  file: LawnFile,
  weather: WeatherBundle,
  sightings: readonly Sighting[],
): LawnSummary {
  const { id } = file.lawn;
  const body = lawnBodySchema.parse(file.lawn.body);
  const common = {
    id,
    name: body.name,
    customer: body.customer,
    customerId: body.customerId,
    archived: body.archived,
    region: body.region,
    lastVisit:
      file.visits
        .map((visit) => visit.body.date)
        .sort()
        .pop() ?? null,
    followUps: followUpsOf(company, body, file),
    sightings: [...sightings],
  };
  if (body.zones.length === 0) {
    return { ...common, areaFt2: 0, grasses: [], due: [], next: null, clashes: 0, scout: [] };
  }
  const request = seasonRequestSchema.parse({
    today: company.today,
    region: body.region,
    upkeep: body.upkeep,
    zones: body.zones,
    findings: findingsOf(file.visits.map((visit) => ({ ...visit.body, id: visit.id }))),
    policy: company.policy,
    choices: body.choices,
  });
  const records = file.records.map((record) => ({ ...record.body, id: record.id }));
  const { season, soil } = lawnSeason(
    request,
    weather,
    file.readings.map((reading) => ({ ...reading.body, id: reading.id })),
    records,
    lapsedByZone(
      body.zones,
      records,
      decidedIn(file.visits.map(({ body: visit }) => visit)),
      company.today,
    ),
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
    ...common,
    scout: scoutAlerts(riskOfLawn({ ...body, today: company.today }, weather, soil, sightings), {
      today: company.today,
      upkeep: body.upkeep,
      earlier: decidedIn(file.visits.map(({ body: visit }) => visit)),
      protection: lawnProtection(body, file, company.today),
    }),
    areaFt2,
    grasses: [...cover]
      .map(([species, share]) => ({ species, cover: share }))
      .sort((a, b) => b.cover - a.cover),
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

/** What was done against each cause over the lawn: lapsed in one zone is lapsed. */
function lawnProtection(
  body: LawnBody,
  file: LawnFile,
  today: Company['today'],
): Record<string, Protection> {
  const records = file.records.map((record) => ({ ...record.body, id: record.id }));
  const zones = body.zones.map(({ id }) =>
    protectionOf(id, records, decidedIn(file.visits.map(({ body: visit }) => visit)), today),
  );
  const whole: Record<string, Protection> = {};
  for (const zone of zones) {
    for (const [cause, state] of Object.entries(zone)) {
      if (whole[cause] !== 'lapsed') whole[cause] = state;
    }
  }
  return whole;
}

/** What waits for a person, the earliest first. */
function followUpsOf(company: Company, body: LawnBody, file: LawnFile): LawnSummary['followUps'] {
  const looks = findingsOf(file.visits.map((visit) => ({ ...visit.body, id: visit.id })))
    .flatMap(({ lookAgainOn }) => lookAgainOn ?? [])
    .concat(body.weedPatches.flatMap(({ lookAgainOn }) => lookAgainOn ?? []))
    .map((date) => ({ kind: 'look-again' as const, date: date as string }));
  const questions = body.questions
    .filter(({ answer }) => !answer)
    .map(({ askedOn }) => ({ kind: 'question' as const, date: askedOn as string }));
  const overdue = file.samples.flatMap(({ body: sample }) =>
    sample.sentOn &&
    !sample.report &&
    !standInLaboratory.reportOn(sample, company.today) &&
    daysBetween(sample.sentOn, company.today) > laboratoryDays.overdue
      ? [{ kind: 'report-overdue' as const, date: sample.sentOn as string }]
      : [],
  );
  return [...looks, ...questions, ...overdue].sort((a, b) => (a.date < b.date ? -1 : 1));
}
