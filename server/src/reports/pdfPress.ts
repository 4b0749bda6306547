import { createHash } from 'node:crypto';
import type { Worker } from 'node:worker_threads';
import type { SharedReport } from '@alfombra/core';
import { askThread, startThread } from '../threads/thread';
import type { PdfAnswer, PdfQuestion } from './pdfWorker';

const WITHIN_MS = 30_000;
/** The thread ends when nobody has asked for this long. */
const IDLE_MS = 60_000;
/** Bytes of finished reports that are kept. */
const MOST_KEPT = 64e6;

/** Lays reports out in a thread of its own, one after the other, and each only once. */
export class PdfPress {
  private thread: Worker | null = null;
  private queue: Promise<unknown> = Promise.resolve();
  private idle: ReturnType<typeof setTimeout> | undefined;
  /** By what is in them; the latest last. */
  private readonly kept = new Map<string, Promise<Buffer>>();
  private bytes = 0;

  /** @param photos JPEGs in the order of the report's photos; `null` for one that cannot be shown */
  print(report: SharedReport, photos: readonly (Buffer | null)[]): Promise<Buffer> {
    const key = createHash('sha256')
      .update(JSON.stringify([report, photos.map((photo) => photo !== null)]))
      .digest('hex');
    const known = this.kept.get(key);
    if (known) return known;
    const made = this.inTurn({ report, photos: [...photos] });
    this.kept.set(key, made);
    made.then(({ length }) => this.forgetOldest(length)).catch(() => this.kept.delete(key));
    return made;
  }

  async close(): Promise<void> {
    clearTimeout(this.idle);
    await this.thread?.terminate();
    this.thread = null;
  }

  private inTurn(question: PdfQuestion): Promise<Buffer> {
    const made = this.queue.then(() => this.ask(question));
    this.queue = made.catch(() => undefined);
    return made;
  }

  private async ask(question: PdfQuestion): Promise<Buffer> {
    clearTimeout(this.idle);
    this.thread ??= startThread(new URL('./pdfWorker.ts', import.meta.url));
    try {
      const answer = await askThread<PdfAnswer>(this.thread, question, WITHIN_MS);
      if ('failure' in answer) throw new Error(answer.failure);
      return Buffer.from(answer.pdf);
    } catch (error) {
      // Whatever state it is in, the next report begins with a fresh one.
      await this.close();
      throw error;
    } finally {
      this.idle = setTimeout(() => void this.close(), IDLE_MS);
      this.idle.unref();
      this.thread?.unref();
    }
  }

  private async forgetOldest(added: number): Promise<void> {
    this.bytes += added;
    for (const [key, made] of this.kept) {
      if (this.bytes <= MOST_KEPT) return;
      this.kept.delete(key);
      this.bytes -= (await made).length;
    }
  }
}
