import { createHash, randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import {
  addDays,
  type ApplicationRecordBody,
  type Company,
  type LawnBody,
  type LawnSummary,
  type ReadingBody,
  type SeasonProgress,
  type SoilSampleBody,
  type VisitBody,
  type WeatherBundle,
} from '@alfombra/core';
import { decidedIn, SIGHTING_DAYS, sightingsOf, type Sighting } from '@alfombra/core/planning';
import { literal, QueryTypes } from 'sequelize';
import type { DocumentStore, Stored } from '../documents/store';
import { companyMarks } from '../documents/companyMarks';
import { KeptByMark } from '../documents/keptByMark';
import { packed, type Packed } from '../http/packed';
import { HttpFailure } from '../http/failure';
import type { Models } from '../models';
import type { WeatherService } from '../weather/service';
import { byLawn } from './byLawn';
import { codeMark } from './codeMark';
import type { PlanMarks, PlanMemory } from './planMemory';
import { summaryOf, type LawnWork } from './summarize';
import type { SummaryJob, SummaryPool } from './summaryPool';

/** What a season is worked out from. */
export interface SeasonStores {
  lawns: DocumentStore<LawnBody>;
  visits: DocumentStore<VisitBody>;
  records: DocumentStore<ApplicationRecordBody>;
  readings: DocumentStore<ReadingBody>;
  samples: DocumentStore<SoilSampleBody>;
}

/** A lawn, and the hash of everything that its season stands on. */
interface Wanted {
  id: string;
  stationId: string;
  standsOn: string;
}

/** Another server that has not been heard of for so long works nothing out any more. */
const LEASE_MS = 60_000;
const LOOKS_AGAIN_MS = 300;
/** Letters of lists kept in memory, of all companies; a list of forty lawns has some hundred thousand. */
const MOST_KEPT = 50e6;
/** Seasons read out of what is kept, or made rows, before somebody else's request may come in between. */
const ROWS_AT_ONCE = 50;
/** Made once: a comparison that brings its own rules costs a hundred times as much. */
const byName = new Intl.Collator('en', { numeric: true });
/** The station of a lawn, without the rest of it. */
const STATION = "JSON_VALUE(`body`, '$.stationId')";

const hash = (parts: readonly unknown[]): string =>
  createHash('sha256').update(JSON.stringify(parts)).digest('base64url');

/**
 * Every lawn's season, worked out once for each state of what it stands on and kept in the database: a
 * second server, or this one after a restart, works nothing out again.
 */
export class SeasonKeeper {
  private readonly holder = randomUUID();
  private readonly turns = new Map<string, Promise<unknown>>();
  private readonly progress = new Map<string, SeasonProgress>();
  /** Read when the server starts, not while somebody waits for a list. */
  private readonly code = codeMark();
  private readonly lists = new KeptByMark<Packed>(({ json }) => json.length, MOST_KEPT);

  constructor(
    private readonly models: Models,
    private readonly stores: SeasonStores,
    private readonly weather: WeatherService,
    private readonly pool: SummaryPool,
    private readonly memory: PlanMemory,
  ) {}

  /** How far the company's seasons are worked out; all of none when nothing is under way. */
  progressOf(companyId: string): SeasonProgress {
    return this.progress.get(companyId) ?? { done: 0, total: 0 };
  }

  /** Stations that a company's lawns lie at, each once. */
  async stations(companyId: string): Promise<string[]> {
    const rows = (await this.models.lawns.findAll({
      where: { companyId },
      attributes: [[literal(`DISTINCT ${STATION}`), 'stationId']],
      raw: true,
    })) as unknown as { stationId: string | null }[];
    return rows.flatMap(({ stationId }) => (stationId === null ? [] : [stationId])).sort();
  }

  /** Every lawn's `LawnSummary` with what is due, in the order of their names, ready to be sent. */
  async list(company: Company): Promise<Packed> {
    const { lawns, visits, records, readings, samples, station_versions } = await companyMarks(
      this.models.sequelize,
      company.id,
    );
    const { today, policy } = company;
    return this.lists.of(
      company.id,
      hash([
        [this.code, today, policy],
        [lawns, visits, records, readings, samples, station_versions],
      ]),
      async () => packed(JSON.stringify(await this.summaries(company))),
    );
  }

  /** Every lawn with what is due, in the order of their names. */
  private async summaries(company: Company): Promise<LawnSummary[]> {
    const wanted = await this.wanted(company);
    const works = await this.kept(company.id, wanted);
    if (works.size < wanted.length) {
      await this.inTurn(company.id, () => this.workOut(company, wanted, works));
    }
    const sightings = await this.sightings(company, wanted);
    const rows: LawnSummary[] = [];
    for (const { id, stationId } of wanted) {
      const work = works.get(id);
      if (work) rows.push(summaryOf(work, sightings.get(stationId) ?? [], company.today));
      if (rows.length % ROWS_AT_ONCE === 0) await new Promise((resume) => setImmediate(resume));
    }
    return rows.sort((a, b) => byName.compare(a.name, b.name));
  }

  /** Who asks while a company's seasons are worked out waits for that, and finds them kept. */
  private inTurn<Value>(companyId: string, work: () => Promise<Value>): Promise<Value> {
    const before = this.turns.get(companyId) ?? Promise.resolve();
    const turn = before.catch(() => undefined).then(work);
    this.turns.set(companyId, turn);
    void turn
      .catch(() => undefined)
      .then(() => {
        if (this.turns.get(companyId) === turn) this.turns.delete(companyId);
      });
    return turn;
  }

  private async wanted(company: Company): Promise<Wanted[]> {
    const { visits, records, readings, samples } = this.stores;
    const [rows, stations, ...lists] = await Promise.all([
      this.models.lawns.findAll({
        where: { companyId: company.id },
        attributes: ['id', 'version', [literal(STATION), 'stationId']],
        raw: true,
      }) as unknown as Promise<{ id: string; version: number; stationId: string | null }[]>,
      this.weather.versions(company.id),
      ...[visits, records, readings, samples].map((store) => store.versions(company.id)),
    ]);
    const parts = new Map<string, string[]>();
    lists.forEach((list, kind) =>
      list.forEach(({ lawnId, id, version }) => {
        const part = `${kind}${id}${version}`;
        const own = parts.get(lawnId);
        if (own) own.push(part);
        else parts.set(lawnId, [part]);
      }),
    );
    const common = hash([this.code, company.today, company.policy]);
    return rows.map(({ id, version, stationId }) => ({
      id,
      stationId: stationId ?? '',
      standsOn: hash([
        common,
        version,
        stationId,
        stations.get(stationId ?? '') ?? 0,
        (parts.get(id) ?? []).sort(),
      ]),
    }));
  }

  /** What is kept and still stands. */
  private async kept(companyId: string, wanted: readonly Wanted[]): Promise<Map<string, LawnWork>> {
    const rows = await this.models.lawnSeasons.findAll({
      where: { companyId, lawnId: wanted.map(({ id }) => id) },
      attributes: ['lawnId', 'standsOn', 'body'],
      raw: true,
    });
    const stands = new Map(wanted.map(({ id, standsOn }) => [id, standsOn]));
    const works = new Map<string, LawnWork>();
    for (const { lawnId, standsOn, body } of rows) {
      if (stands.get(lawnId) !== standsOn) continue;
      works.set(lawnId, read(body));
      if (works.size % ROWS_AT_ONCE === 0) await new Promise((resume) => setImmediate(resume));
    }
    return works;
  }

  /** Works out what is missing, or waits for who is at it already. */
  private async workOut(
    company: Company,
    wanted: readonly Wanted[],
    works: Map<string, LawnWork>,
  ): Promise<void> {
    for (;;) {
      const before = wanted.filter(({ id }) => !works.has(id));
      for (const [id, work] of await this.kept(company.id, before)) works.set(id, work);
      const missing = before.filter(({ id }) => !works.has(id));
      if (missing.length === 0) return;
      // Another server may be at it: what it makes is there for this one, too.
      if (!(await this.lease(company.id))) {
        await wait(LOOKS_AGAIN_MS);
        continue;
      }
      try {
        await this.make(company, missing, works);
        return;
      } finally {
        this.progress.delete(company.id);
        await this.models.seasonLeases.destroy({
          where: { companyId: company.id, holder: this.holder },
        });
      }
    }
  }

  private async make(
    company: Company,
    missing: readonly Wanted[],
    works: Map<string, LawnWork>,
  ): Promise<void> {
    const bundles = new Map<string, WeatherBundle>();
    for (const stationId of new Set(missing.map((lawn) => lawn.stationId))) {
      const bundle = await this.weather
        .bundle(company.id, stationId, company.today)
        .catch(nothingThere);
      // Without it the lawn is on the list, marked.
      if (bundle) bundles.set(stationId, bundle);
    }
    this.progress.set(company.id, { done: 0, total: missing.length });
    const marks: PlanMarks = { code: this.code, policy: hash([company.policy]) };
    const then = new Map<string, PlanMarks>();
    await this.pool.run(
      { company, bundles },
      missing,
      async (chunk) => {
        const remembered = await this.memory.of(
          company.id,
          chunk.map(({ id }) => id),
        );
        remembered.forEach((memory, id) => then.set(id, memory.marks));
        return (await this.jobs(company.id, chunk)).map((job) => ({
          ...job,
          before: remembered.get(job.file.lawn.id)?.plan ?? null,
        }));
      },
      async (worked, chunk, done) => {
        const made = worked.map(({ plan: _plan, ...work }) => work);
        await this.memory.keep(
          company.id,
          marks,
          worked.flatMap(({ plan }, index) => {
            const { id } = chunk[index] as Wanted;
            const earlier = then.get(id);
            return plan ? [{ lawnId: id, plan, ...(earlier ? { then: earlier } : {}) }] : [];
          }),
        );
        made.forEach((work, index) => works.set((chunk[index] as Wanted).id, work));
        this.progress.set(company.id, { done, total: missing.length });
        await this.models.lawnSeasons.bulkCreate(
          made.map((body, index) => {
            const { id, standsOn } = chunk[index] as Wanted;
            return { lawnId: id, companyId: company.id, standsOn, body };
          }),
          { updateOnDuplicate: ['standsOn', 'body', 'updatedAt'] as never },
        );
        await this.lease(company.id);
      },
    );
  }

  /** Everything about some lawns, in their order. */
  private async jobs(companyId: string, chunk: readonly Wanted[]): Promise<SummaryJob[]> {
    const { lawns, ...under } = this.stores;
    const ids = chunk.map(({ id }) => id);
    const [rows, visits, records, readings, samples] = await Promise.all([
      lawns.ofLawns(companyId, ids),
      under.visits.ofLawns(companyId, ids).then(byLawn),
      under.records.ofLawns(companyId, ids).then(byLawn),
      under.readings.ofLawns(companyId, ids).then(byLawn),
      under.samples.ofLawns(companyId, ids).then(byLawn),
    ]);
    const lawn = new Map(rows.map((row) => [row.id, row]));
    return chunk.map(({ id, stationId }) => ({
      stationId,
      file: {
        lawn: lawn.get(id) as Stored<LawnBody>,
        visits: visits.get(id) ?? [],
        records: records.get(id) ?? [],
        readings: readings.get(id) ?? [],
        samples: samples.get(id) ?? [],
      },
    }));
  }

  /** What was confirmed lately, by station: one colleague's finding is another's warning. */
  private async sightings(
    company: Company,
    wanted: readonly Wanted[],
  ): Promise<Map<string, Sighting[]>> {
    const visits = await this.stores.visits.since(
      company.id,
      addDays(company.today, -SIGHTING_DAYS),
    );
    const stationOf = new Map(wanted.map(({ id, stationId }) => [id, stationId]));
    const byStation = new Map<string, VisitBody[]>();
    for (const { body } of visits) {
      const station = stationOf.get(body.lawnId);
      if (station === undefined) continue;
      const own = byStation.get(station);
      if (own) own.push(body);
      else byStation.set(station, [body]);
    }
    return new Map(
      [...byStation].map(([station, own]) => [station, sightingsOf(decidedIn(own), company.today)]),
    );
  }

  /** Takes, or keeps, the right to work out a company's seasons. @returns false while another has it */
  private async lease(companyId: string): Promise<boolean> {
    const { sequelize } = this.models;
    const until = new Date(Date.now() + LEASE_MS);
    await sequelize.query(
      `INSERT INTO season_leases (company_id, holder, until, created_at, updated_at)
       VALUES (:companyId, :holder, :until, NOW(), NOW())
       ON DUPLICATE KEY UPDATE
         holder = IF(until < :now, VALUES(holder), holder),
         until = IF(holder = VALUES(holder), VALUES(until), until)`,
      {
        replacements: { companyId, holder: this.holder, until, now: new Date() },
        type: QueryTypes.INSERT,
      },
    );
    const row = await this.models.seasonLeases.findByPk(companyId, { raw: true });
    return row?.holder === this.holder;
  }
}

/** Read without the model, a body may come as the text that it is kept as. */
const read = (body: LawnWork | string): LawnWork =>
  typeof body === 'string' ? (JSON.parse(body) as LawnWork) : body;

/** A place that there is not costs its own lawns only. */
const nothingThere = (error: unknown): null => {
  if (error instanceof HttpFailure && error.code === 'not-found') return null;
  throw error;
};
