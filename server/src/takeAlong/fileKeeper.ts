import { createHash } from 'node:crypto';
import {
  lawnBodySchema,
  type ApplicationRecordBody,
  type Company,
  type LawnFile,
  type ReadingBody,
  type SoilSampleBody,
  type VisitBody,
} from '@alfombra/core';
import { judgeRecord } from '@alfombra/core/judging';
import { plainDocument, type DocumentStore } from '../documents/store';
import { byLawn } from '../lawns/byLawn';
import { presentLawn, type LawnService } from '../lawns/service';
import type { PhotoService } from '../photos/service';
import type { ReportService } from '../reports/service';
import { withReport, type SoilLaboratory } from '../standins/soilLaboratory';

export interface FileParts {
  lawns: LawnService;
  visits: DocumentStore<VisitBody>;
  records: DocumentStore<ApplicationRecordBody>;
  readings: DocumentStore<ReadingBody>;
  samples: DocumentStore<SoilSampleBody>;
  photos: PhotoService;
  reports: ReportService;
  laboratory: SoilLaboratory;
}

/** A lawn with everything that lies under it, as it crosses the wire. */
export interface KeptFile {
  id: string;
  /** JSON of the `LawnFile`; `null` of a lawn that cannot be read, which is marked on the list. */
  json: string | null;
  digest: string;
}

/** Lawns put together at once; everybody else's requests come in between. */
const CHUNK = 20;
/** Letters of JSON kept in memory, of all companies; a lawn has some eight thousand. */
const MOST_KEPT = 150e6;

const hash = (text: string): string => createHash('sha256').update(text).digest('base64url');

/**
 * Every lawn with what lies under it. What has not changed is not read again: a lawn's file is kept under the
 * versions that it stands on, and any process may drop or rebuild it.
 */
export class FileKeeper {
  /** By company, the one asked last at the end. */
  private readonly companies = new Map<string, Map<string, KeptFile & { standsOn: string }>>();

  constructor(private readonly parts: FileParts) {}

  /** Files of all lawns that can be read, in the order of their ids. */
  async files(company: Company): Promise<KeptFile[]> {
    const wanted = await this.wanted(company);
    const before = this.companies.get(company.id) ?? new Map<string, never>();
    const now = new Map<string, KeptFile & { standsOn: string }>();
    const missing: string[] = [];
    for (const [id, standsOn] of wanted) {
      const known = before.get(id);
      if (known?.standsOn === standsOn) now.set(id, known);
      else missing.push(id);
    }
    for (let from = 0; from < missing.length; from += CHUNK) {
      for (const file of await this.make(company, missing.slice(from, from + CHUNK))) {
        now.set(file.id, { ...file, standsOn: wanted.get(file.id) as string });
      }
      await new Promise((resume) => setImmediate(resume));
    }
    this.companies.delete(company.id);
    this.companies.set(company.id, now);
    this.forgetOldest();
    return [...wanted.keys()].sort().flatMap((id) => {
      const file = now.get(id);
      return file && file.json !== null ? [file] : [];
    });
  }

  /** Of every lawn, the hash of what its file stands on. */
  private async wanted({ id, today, policy }: Company): Promise<Map<string, string>> {
    const { lawns, visits, records, readings, samples, photos, reports } = this.parts;
    const [rows, arriving, ...lists] = await Promise.all([
      lawns.lawns.versions(id),
      photos.arriving(id),
      ...[visits, records, readings, samples, photos.store, reports.store].map((store) =>
        store.versions(id),
      ),
    ]);
    const under = new Map<string, string[]>();
    const add = (lawnId: string, part: string) => {
      const own = under.get(lawnId);
      if (own) own.push(part);
      else under.set(lawnId, [part]);
    };
    lists.forEach((list, kind) =>
      list.forEach((row) => add(row.lawnId, `${kind}${row.id}${row.version}`)),
    );
    // How much of a photo has come is in no version.
    for (const { lawnId, state } of arriving) add(lawnId, state);
    const common = hash(JSON.stringify([today, policy]));
    return new Map(
      rows.map((lawn) => [
        lawn.id,
        hash([common, lawn.version, ...(under.get(lawn.id) ?? []).sort()].join()),
      ]),
    );
  }

  private async make(company: Company, ids: readonly string[]): Promise<KeptFile[]> {
    const { parts } = this;
    const of = <Body extends { lawnId: string; date: string }>(documents: DocumentStore<Body>) =>
      documents
        .ofLawns(company.id, ids)
        // Latest first, as the lists under a lawn are.
        .then((list) => list.sort((a, b) => (latest(a) < latest(b) ? 1 : -1)));
    const [lawns, visits, records, readings, samples, photos, reports] = await Promise.all([
      parts.lawns.lawns.ofLawns(company.id, ids),
      of(parts.visits).then(byLawn),
      of(parts.records).then(byLawn),
      of(parts.readings).then(byLawn),
      of(parts.samples).then(byLawn),
      of(parts.photos.store),
      of(parts.reports.store),
    ]);
    const [pictures, links] = await Promise.all([
      parts.photos.present(photos),
      parts.reports.present(company.id, reports),
    ]);
    return lawns.map((lawn) => {
      const { id } = lawn;
      if (!lawnBodySchema.safeParse(lawn.body).success) return { id, json: null, digest: '' };
      const done = (records.get(id) ?? []).map(plainDocument);
      const bags = (samples.get(id) ?? []).map((sample) =>
        withReport(parts.laboratory, plainDocument(sample), company.today),
      );
      const file: LawnFile = {
        lawn: presentLawn(lawn),
        visits: (visits.get(id) ?? []).map(plainDocument),
        records: done.map((record) => ({
          ...record,
          findings: judgeRecord(record, lawn.body, done, company.policy, bags),
        })),
        readings: (readings.get(id) ?? []).map(plainDocument),
        samples: bags,
        photos: pictures.filter(({ lawnId }) => lawnId === id),
        reports: links.filter(({ lawnId }) => lawnId === id),
      };
      const json = JSON.stringify(file);
      return { id, json, digest: hash(json) };
    });
  }

  private forgetOldest(): void {
    const sizes = [...this.companies].map(([id, files]) => ({
      id,
      letters: [...files.values()].reduce((sum, { json }) => sum + (json?.length ?? 0), 0),
    }));
    let all = sizes.reduce((sum, { letters }) => sum + letters, 0);
    for (const { id, letters } of sizes.slice(0, -1)) {
      if (all <= MOST_KEPT) return;
      this.companies.delete(id);
      all -= letters;
    }
  }
}

const latest = ({ id, body }: { id: string; body: { date: string } }): string =>
  `${body.date} ${id}`;
