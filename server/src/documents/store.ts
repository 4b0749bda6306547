import { isDeepStrictEqual } from 'node:util';
import {
  Op,
  type Order,
  UniqueConstraintError,
  type Sequelize,
  type Transaction,
  type WhereOptions,
} from 'sequelize';
import { retrying } from '../database/retrying';
import { HttpFailure } from '../http/failure';
import type { AcceptedWriteModel } from './acceptedWrite';
import type { DocumentModel, DocumentRow } from './document';

export interface Stored<Body> {
  id: string;
  version: number;
  body: Body;
  updatedAt: Date;
}

/** A document as it crosses the wire. */
export const plainDocument = <Body extends object>({
  id,
  version,
  body,
}: Pick<Stored<Body>, 'id' | 'version' | 'body'>) => ({ ...body, id, version });

const stored = <Body>(row: DocumentRow): Stored<Body> => ({
  id: row.id,
  version: row.version,
  // Read without a model, it may come as the text that it is kept as.
  body: (typeof row.body === 'string' ? JSON.parse(row.body) : row.body) as Body,
  updatedAt: row.updatedAt,
});

/**
 * Reads and writes versioned documents. Every query is filtered by company; a row of another company
 * does not exist for the caller.
 */
export class DocumentStore<Body extends object> {
  constructor(
    private readonly sequelize: Sequelize,
    private readonly model: DocumentModel,
    /** What the row is called in a message. */
    private readonly noun: string,
    private readonly accepted: AcceptedWriteModel,
  ) {}

  /** @throws HttpFailure `not-found` */
  async get(companyId: string, id: string): Promise<Stored<Body>> {
    const found = await this.find(companyId, id);
    if (!found) throw new HttpFailure('not-found', `There is no such ${this.noun}.`);
    return found;
  }

  /** The document, or `null` when the company has none of this id. */
  async find(companyId: string, id: string): Promise<Stored<Body> | null> {
    return (await this.read({ id, companyId }))[0] ?? null;
  }

  /** @throws HttpFailure `not-found` when the company has none of this id */
  async mustHave(companyId: string, id: string): Promise<void> {
    const there = await this.model.findOne({
      where: { id, companyId },
      attributes: ['id'],
      raw: true,
    });
    if (!there) throw new HttpFailure('not-found', `There is no such ${this.noun}.`);
  }

  /** Ids and versions of a company's documents, without their content. */
  async versions(companyId: string): Promise<{ id: string; lawnId: string; version: number }[]> {
    const ofLawn = 'lawnId' in this.model.getAttributes();
    const rows = await this.model.findAll({
      where: { companyId },
      attributes: ['id', 'version', ...(ofLawn ? ['lawnId'] : [])],
      raw: true,
    });
    return rows as unknown as { id: string; lawnId: string; version: number }[];
  }

  /** Documents of some lawns, or the lawns themselves. */
  async ofLawns(companyId: string, lawnIds: readonly string[]): Promise<Stored<Body>[]> {
    const ofLawn = 'lawnId' in this.model.getAttributes();
    return this.read({ companyId, [ofLawn ? 'lawnId' : 'id']: [...lawnIds] });
  }

  /** Documents of a company from a day on. */
  async since(companyId: string, day: string): Promise<Stored<Body>[]> {
    return this.read({ companyId, date: { [Op.gte]: day } });
  }

  /** Documents of a company, latest day first where they have one. */
  async list(companyId: string, lawnId?: string): Promise<Stored<Body>[]> {
    const where: WhereOptions = { companyId, ...(lawnId ? { lawnId } : {}) };
    return this.read(
      where,
      lawnId
        ? [
            ['date', 'DESC'],
            ['id', 'DESC'],
          ]
        : [['id', 'ASC']],
    );
  }

  /** Rows as they are: a model around each would cost more than the row. */
  private async read(where: WhereOptions, order: Order = []): Promise<Stored<Body>[]> {
    const rows = await this.model.findAll({
      where,
      order,
      attributes: ['id', 'version', 'body', 'updatedAt'],
      raw: true,
    });
    return rows.map((row) => stored<Body>(row));
  }

  /**
   * Writes a document under the id that the client made. Sending the same write again changes
   * nothing and answers as the first time did.
   * @param version the version the client read; 0 for a new document
   * @param columns `writeId` is the client's own id of this write: once it was accepted, sending it
   * again changes nothing, however much was written since
   * @throws HttpFailure `stale-version` when somebody else wrote in between
   */
  async put(
    companyId: string,
    id: string,
    version: number,
    body: Body,
    { writeId, ...columns }: { lawnId?: string; date?: string; writeId?: string | undefined } = {},
  ): Promise<Stored<Body>> {
    const write = { companyId, id, version, body, writeId, columns };
    if (version === 0) {
      // Inserted first: asking for a row that is not there yet would lock where all new ones go.
      const created = await this.insert(write);
      if (created) return created;
    }
    return retrying(this.sequelize, (transaction) => this.update(write, transaction));
  }

  /** @returns `null` when there is such a document, or the write has been taken, already */
  private async insert({ companyId, id, body, writeId, columns }: Write<Body>) {
    try {
      return await retrying(this.sequelize, async (transaction) => {
        const row = await this.model.create(
          { id, companyId, version: 1, body, ...columns },
          { transaction },
        );
        await this.note({ writeId, companyId, id }, transaction);
        return stored<Body>(row);
      });
    } catch (error) {
      if (error instanceof UniqueConstraintError) return null;
      throw error;
    }
  }

  private async update(
    { companyId, id, version, body, writeId, columns }: Write<Body>,
    transaction: Transaction,
  ): Promise<Stored<Body>> {
    const none = new HttpFailure('not-found', `There is no such ${this.noun}.`);
    const before =
      writeId && (await this.accepted.findOne({ where: { writeId, companyId }, transaction }));
    if (before && before.documentId !== id) {
      throw new HttpFailure('bad-input', 'this id of a write was used for another document', [
        'idempotency-key',
      ]);
    }
    const row = await this.model.findOne({
      where: { id, companyId },
      transaction,
      lock: transaction.LOCK.UPDATE,
    });
    if (!row) throw none;
    if (before) return stored<Body>(row);
    if (row.version === version + 1 && isDeepStrictEqual(row.body, plain(body))) {
      return stored<Body>(row);
    }
    if (row.version !== version) {
      throw new HttpFailure(
        'stale-version',
        `Somebody changed this ${this.noun} in the meantime (version ${row.version}, yours is ${version}). Yours is kept here; load the newer one and compare.`,
        ['version'],
      );
    }
    await row.update({ body, version: version + 1, ...columns }, { transaction });
    await this.note({ writeId, companyId, id }, transaction);
    return stored<Body>(row);
  }

  private async note(
    { writeId, companyId, id }: Pick<Write<Body>, 'writeId' | 'companyId' | 'id'>,
    transaction: Transaction,
  ): Promise<void> {
    if (writeId) {
      await this.accepted.create({ writeId, companyId, documentId: id }, { transaction });
    }
  }
}

interface Write<Body> {
  companyId: string;
  id: string;
  version: number;
  body: Body;
  writeId: string | undefined;
  columns: { lawnId?: string; date?: string };
}

/** The body as it comes back from a JSON column. */
const plain = (body: object): unknown => JSON.parse(JSON.stringify(body)) as unknown;
