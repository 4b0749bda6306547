import { photoBodySchema, type LawnBody, type PhotoBody } from '@alfombra/core';
import { hasPlaceData } from '@alfombra/core/service';
import type { LawnDocumentOptions } from '../documents/lawnDocumentRoutes';
import { plainDocument, type DocumentStore, type Stored } from '../documents/store';
import { HttpFailure } from '../http/failure';
import { redrawn } from './picture';
import type { Models } from '../models';
import { retrying } from '../database/retrying';
import { QueryTypes, type Transaction } from 'sequelize';

/** Photos: what is known of them as documents, their bytes in pieces that may come one by one. */
export class PhotoService {
  constructor(
    private readonly models: Models,
    readonly store: DocumentStore<PhotoBody>,
    private readonly lawns: DocumentStore<LawnBody>,
    /** Room for a company's photos, bytes. */
    private readonly mostBytes: number = 20e9,
  ) {}

  resource(): LawnDocumentOptions<PhotoBody> {
    return {
      store: this.store,
      lawns: this.lawns,
      schema: photoBodySchema,
      check: ({ companyId }) => this.checkRoom(companyId),
      present: (_who, _lawnId, list) => this.present(list),
    };
  }

  async present(list: readonly Stored<PhotoBody>[]) {
    const ids = list.map(({ id }) => id);
    const [received, whole] = await Promise.all([
      this.receivedOf(ids),
      this.models.photoFiles.findAll({ where: { photoId: ids }, attributes: ['photoId'] }),
    ]);
    const there = new Set(whole.map(({ photoId }) => photoId));
    return list.map((stored) => ({
      ...plainDocument(stored),
      received: there.has(stored.id) ? stored.body.bytes : (received.get(stored.id) ?? 0),
    }));
  }

  /** Photos of a company that have not come in full, and how far each is. */
  async arriving(companyId: string): Promise<{ lawnId: string; state: string }[]> {
    return this.models.sequelize.query<{ lawnId: string; state: string }>(
      `SELECT photos.lawn_id AS lawnId, CONCAT(photos.id, '/', COUNT(photo_pieces.id)) AS state
       FROM photos
         LEFT JOIN photo_files ON photo_files.photo_id = photos.id
         LEFT JOIN photo_pieces ON photo_pieces.photo_id = photos.id
       WHERE photos.company_id = :companyId AND photo_files.photo_id IS NULL
       GROUP BY photos.id, photos.lawn_id ORDER BY photos.id`,
      { replacements: { companyId }, type: QueryTypes.SELECT },
    );
  }

  /** Bytes of each photo that have arrived without a gap. */
  private async receivedOf(
    photoIds: readonly string[],
    transaction: Transaction | null = null,
  ): Promise<Map<string, number>> {
    const { fn, col } = this.models.sequelize;
    const pieces = await this.models.photoPieces.findAll({
      where: { photoId: [...photoIds] },
      // Inside a transaction on its connection: a second one would be waited for by all who hold the first.
      transaction,
      attributes: ['photoId', 'start', [fn('LENGTH', col('bytes')), 'length']],
      order: [['start', 'ASC']],
      raw: true,
    });
    const received = new Map<string, number>();
    for (const piece of pieces as unknown as { photoId: string; start: number; length: number }[]) {
      const end = received.get(piece.photoId) ?? 0;
      if (piece.start <= end)
        received.set(piece.photoId, Math.max(end, piece.start + piece.length));
    }
    return received;
  }

  /**
   * Takes a piece of a photo. A piece that is there already, or begins before what has arrived,
   * changes nothing: sending goes on from the answer.
   * @returns bytes that have arrived
   * @throws HttpFailure `bad-input` at a gap, past the end, or when the photo tells where it was taken
   */
  async take(companyId: string, photoId: string, start: number, bytes: Buffer): Promise<number> {
    const { body } = await this.store.get(companyId, photoId);
    if (await this.models.photoFiles.findByPk(photoId, { attributes: ['photoId'] })) {
      return body.bytes;
    }
    const received = await retrying(this.models.sequelize, async (transaction) => {
      await this.models.photos.findOne({
        where: { id: photoId },
        transaction,
        lock: transaction.LOCK.UPDATE,
      });
      const before = (await this.receivedOf([photoId], transaction)).get(photoId) ?? 0;
      if (start > before) {
        throw new HttpFailure('bad-input', `bytes ${before} to ${start} are missing`, ['start']);
      }
      if (start < before || bytes.length === 0) return before;
      if (start + bytes.length > body.bytes) {
        throw new HttpFailure('bad-input', `the photo was announced with ${body.bytes} bytes`, [
          'bytes',
        ]);
      }
      await this.models.photoPieces.create({ photoId, start, bytes }, { transaction });
      return start + bytes.length;
    });
    if (received >= body.bytes) await this.finish(companyId, photoId);
    return received;
  }

  /**
   * Redraws a photo whose last piece has come, and keeps that alone.
   * @throws HttpFailure `bad-input` when it is no picture, or tells where it was taken
   */
  private async finish(companyId: string, photoId: string): Promise<void> {
    const pieces = await this.models.photoPieces.findAll({
      where: { photoId },
      order: [['start', 'ASC']],
    });
    const whole = Buffer.concat(pieces.map((piece) => piece.bytes));
    const told = hasPlaceData(whole);
    const drawn = told ? null : await redrawn(whole).catch(() => null);
    await retrying(this.models.sequelize, async (transaction) => {
      await this.models.photoFiles.upsert(
        { photoId, companyId, size: drawn?.length ?? 0, bytes: drawn },
        { transaction },
      );
      await this.models.photoPieces.destroy({ where: { photoId }, transaction });
    });
    if (!drawn) {
      throw new HttpFailure(
        'bad-input',
        told
          ? 'the photo tells where it was taken; strip that first'
          : 'this is no picture that can be opened',
        ['bytes'],
      );
    }
  }

  /** The whole photo. @throws HttpFailure `not-found` while some of it is missing, or when it is none */
  async bytes(companyId: string, photoId: string): Promise<{ type: string; bytes: Buffer }> {
    const { body } = await this.store.get(companyId, photoId);
    const file = () => this.models.photoFiles.findByPk(photoId);
    let found = await file();
    if (!found && ((await this.receivedOf([photoId])).get(photoId) ?? 0) >= body.bytes) {
      await this.finish(companyId, photoId).catch(() => undefined);
      found = await file();
    }
    if (!found) throw new HttpFailure('not-found', 'The photo has not arrived in full yet.');
    if (!found.bytes) throw new HttpFailure('not-found', 'This photo cannot be opened.');
    return { type: 'image/jpeg', bytes: found.bytes };
  }

  /** @throws HttpFailure `no-room` when the company keeps as much as it may */
  private async checkRoom(companyId: string): Promise<void> {
    const size = await this.models.photoFiles.sum('size', { where: { companyId } });
    if ((size ?? 0) >= this.mostBytes) {
      throw new HttpFailure(
        'no-room',
        `The company's photos take all of their ${Math.round(this.mostBytes / 1e9)} GB. Ask whoever runs the server for more.`,
        ['bytes'],
      );
    }
  }
}
