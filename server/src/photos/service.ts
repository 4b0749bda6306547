import { photoBodySchema, type LawnBody, type PhotoBody } from '@alfombra/core';
import { hasPlaceData } from '@alfombra/core/service';
import type { LawnDocumentOptions } from '../documents/lawnDocumentRoutes';
import type { DocumentStore, Stored } from '../documents/store';
import { HttpFailure } from '../http/failure';
import type { Models } from '../models';

/** Photos: what is known of them as documents, their bytes in pieces that may come one by one. */
export class PhotoService {
  constructor(
    private readonly models: Models,
    readonly store: DocumentStore<PhotoBody>,
    private readonly lawns: DocumentStore<LawnBody>,
  ) {}

  resource(): LawnDocumentOptions<PhotoBody> {
    return {
      store: this.store,
      lawns: this.lawns,
      schema: photoBodySchema,
      present: (_who, stored) => this.present(stored),
    };
  }

  async present({ id, version, body }: Stored<PhotoBody>) {
    return { ...body, id, version, received: await this.received(id) };
  }

  /** Bytes that have arrived without a gap. */
  async received(photoId: string): Promise<number> {
    const pieces = await this.models.photoPieces.findAll({
      where: { photoId },
      attributes: [
        'start',
        [this.models.sequelize.fn('LENGTH', this.models.sequelize.col('bytes')), 'length'],
      ],
      order: [['start', 'ASC']],
      raw: true,
    });
    return (pieces as unknown as { start: number; length: number }[]).reduce(
      (end, piece) => (piece.start <= end ? Math.max(end, piece.start + piece.length) : end),
      0,
    );
  }

  /**
   * Takes a piece of a photo. A piece that is there already, or begins before what has arrived,
   * changes nothing: sending goes on from the answer.
   * @returns bytes that have arrived
   * @throws HttpFailure `bad-input` at a gap, past the end, or when the photo tells where it was taken
   */
  async take(companyId: string, photoId: string, start: number, bytes: Buffer): Promise<number> {
    const { body } = await this.store.get(companyId, photoId);
    return this.models.sequelize.transaction(async (transaction) => {
      await this.models.photos.findOne({
        where: { id: photoId },
        transaction,
        lock: transaction.LOCK.UPDATE,
      });
      const received = await this.received(photoId);
      if (start > received) {
        throw new HttpFailure('bad-input', `bytes ${received} to ${start} are missing`, ['start']);
      }
      if (start < received || bytes.length === 0) return received;
      if (start + bytes.length > body.bytes) {
        throw new HttpFailure('bad-input', `the photo was announced with ${body.bytes} bytes`, [
          'bytes',
        ]);
      }
      if (start === 0 && hasPlaceData(bytes)) {
        throw new HttpFailure('bad-input', 'the photo tells where it was taken; strip that first', [
          'bytes',
        ]);
      }
      await this.models.photoPieces.create({ photoId, start, bytes }, { transaction });
      return start + bytes.length;
    });
  }

  /** The whole photo. @throws HttpFailure `not-found` while some of it is missing */
  async bytes(companyId: string, photoId: string): Promise<{ type: string; bytes: Buffer }> {
    const { body } = await this.store.get(companyId, photoId);
    const pieces = await this.models.photoPieces.findAll({
      where: { photoId },
      order: [['start', 'ASC']],
    });
    const bytes = Buffer.concat(pieces.map((piece) => piece.bytes));
    if (bytes.length < body.bytes) {
      throw new HttpFailure('not-found', 'The photo has not arrived in full yet.');
    }
    return { type: body.type, bytes };
  }
}
