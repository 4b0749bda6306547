import { isDeepStrictEqual } from 'node:util';
import type { Sequelize, WhereOptions } from 'sequelize';
import { HttpFailure } from '../http/failure';
import type { AcceptedWriteModel } from './acceptedWrite';
import type { DocumentModel, DocumentRow } from './document';

export interface Stored<Body> {
  id: string;
  version: number;
  body: Body;
  updatedAt: Date;
}

const stored = <Body>(row: DocumentRow): Stored<Body> => ({
  id: row.id,
  version: row.version,
  body: row.body as Body,
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
    const row = await this.model.findOne({ where: { id, companyId } });
    if (!row) throw new HttpFailure('not-found', `There is no such ${this.noun}.`);
    return stored<Body>(row);
  }

  /** Documents of a company, latest day first where they have one. */
  async list(companyId: string, lawnId?: string): Promise<Stored<Body>[]> {
    const where: WhereOptions = { companyId, ...(lawnId ? { lawnId } : {}) };
    const rows = await this.model.findAll({
      where,
      order: lawnId
        ? [
            ['date', 'DESC'],
            ['id', 'DESC'],
          ]
        : [['id', 'ASC']],
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
    return this.sequelize.transaction(async (transaction) => {
      const row = await this.model.findOne({
        where: { id },
        transaction,
        lock: transaction.LOCK.UPDATE,
      });
      if (row && row.companyId !== companyId) {
        throw new HttpFailure('not-found', `There is no such ${this.noun}.`);
      }
      if (row && writeId) {
        const before = await this.accepted.findOne({ where: { writeId, companyId }, transaction });
        if (before?.documentId === id) return stored<Body>(row);
      }
      const accept = async () => {
        if (writeId) {
          await this.accepted.create({ writeId, companyId, documentId: id }, { transaction });
        }
      };
      if (!row) {
        if (version !== 0) throw new HttpFailure('not-found', `There is no such ${this.noun}.`);
        const created = await this.model.create(
          { id, companyId, version: 1, body, ...columns },
          { transaction },
        );
        await accept();
        return stored<Body>(created);
      }
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
      await accept();
      return stored<Body>(row);
    });
  }
}

/** The body as it comes back from a JSON column. */
const plain = (body: object): unknown => JSON.parse(JSON.stringify(body)) as unknown;
