import { buffer } from 'node:stream/consumers';
import { parentPort } from 'node:worker_threads';
import type { SharedReport } from '@alfombra/core';
import { reportPdf } from './reportPdf';

/** A report to be laid out. */
export interface PdfQuestion {
  report: SharedReport;
  photos: (Uint8Array | null)[];
}
export type PdfAnswer = { pdf: Uint8Array } | { failure: string };

parentPort?.on('message', ({ report, photos }: PdfQuestion) => {
  void buffer(
    reportPdf(
      report,
      photos.map((photo) => photo && Buffer.from(photo)),
    ),
  )
    .then((pdf): PdfAnswer => ({ pdf }))
    .catch((error: unknown): PdfAnswer => ({ failure: String(error) }))
    .then((answer) => parentPort?.postMessage(answer));
});
