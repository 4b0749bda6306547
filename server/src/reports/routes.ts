import { reportAnswersSchema } from '@alfombra/core';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { HttpFailure } from '../http/failure';
import { bodyOf } from '../http/input';
import { PdfPress } from './pdfPress';
import type { ReportService } from './service';

const MINUTE_MS = 60_000;
const MOST_PER_MINUTE = 120;

/** What the holder of a private link may do; no session is needed. */
export function sharedReportRoutes(reports: ReportService): Router {
  const router = Router();
  const press = new PdfPress();
  router.use(
    rateLimit({
      windowMs: MINUTE_MS,
      limit: MOST_PER_MINUTE,
      standardHeaders: true,
      legacyHeaders: false,
      handler: () => {
        throw new HttpFailure('too-many-tries', 'Too many requests. Wait a minute.');
      },
    }),
  );
  router.use((_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    response.setHeader('x-robots-tag', 'noindex');
    response.setHeader('referrer-policy', 'no-referrer');
    next();
  });
  router.get('/:token', async (request, response) => {
    response.json(await reports.shared(request.params.token));
  });
  router.post('/:token/answers', async (request, response) => {
    response.json(await reports.answer(request.params.token, bodyOf(request, reportAnswersSchema)));
  });
  router.get('/:token/photos/:photo', async (request, response) => {
    const { type, bytes } = await reports.photo(request.params.token, request.params.photo);
    response.type(type).send(bytes);
  });
  router.get('/:token/pdf', async (request, response) => {
    const report = await reports.shared(request.params.token);
    const photos = await Promise.all(
      report.photos.map(({ id }) => reports.photo(request.params.token, id).catch(() => null)),
    );
    const pdf = await press.print(
      report,
      photos.map((photo) => photo?.bytes ?? null),
    );
    response.type('application/pdf');
    response.setHeader('content-disposition', `inline; filename="report-${report.date}.pdf"`);
    response.send(pdf);
  });
  return router;
}
