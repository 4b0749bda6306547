import {
  type ApplicationRecordBody,
  type CustomerBody,
  type LawnBody,
  type PhotoBody,
  type ReadingBody,
  type ReportBody,
  type SoilSampleBody,
  type VisitBody,
} from '@alfombra/core';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import pino, { type DestinationStream } from 'pino';
import { pinoHttp } from 'pino-http';
import { companyRoutes } from './companies/routes';
import { CompanyService } from './companies/service';
import type { Config } from './config';
import { customerRoutes } from './customers/routes';
import { lawnDocumentRoutes, listUnderLawn } from './documents/lawnDocumentRoutes';
import type { DocumentModel } from './documents/document';
import { DocumentStore } from './documents/store';
import { openApi } from './http/openApi';
import { failureHandler, HttpFailure } from './http/failure';
import { lawnRoutes } from './lawns/routes';
import { PlanMemory } from './lawns/planMemory';
import { SeasonKeeper } from './lawns/seasonKeeper';
import { LawnService } from './lawns/service';
import { SummaryPool } from './lawns/summaryPool';
import type { Models } from './models';
import { photoRoutes } from './photos/routes';
import { PhotoService } from './photos/service';
import { readingResource } from './readings/resource';
import { recordResource } from './records/resource';
import { LinkTokens } from './reports/linkTokens';
import { sharedReportRoutes } from './reports/routes';
import { ReportService } from './reports/service';
import { sampleResource } from './samples/resource';
import { requireSession, sessionRoutes } from './sessions/routes';
import { SessionService } from './sessions/service';
import { standInLaboratory } from './standins/soilLaboratory';
import { standInStations } from './standins/weatherStation';
import { takeAlongRoutes } from './takeAlong/routes';
import { visitResource } from './visits/resource';
import { stationRoutes } from './weather/routes';
import { WeatherService } from './weather/service';
import { proxyWeb, serveWeb } from './http/web';

/** Headers that mean something on a page only. */
const FEW_HEADERS = {
  crossOriginOpenerPolicy: false,
  originAgentCluster: false,
  xDnsPrefetchControl: false,
  xDownloadOptions: false,
  xFrameOptions: false,
  xPermittedCrossDomainPolicies: false,
  xXssProtection: false,
} as const;
const BODY_LIMIT = '3mb';
const LEAST_COMPRESSED_BYTES = 1024;

/** A failure for the log: what it was and where, never what somebody had written. */
const withoutBodies = (error: Error & { parent?: { code?: string; errno?: number } }) => ({
  type: error.name,
  // The database quotes the values that it failed at; its own number says enough.
  message: error.parent ? 'of the database' : error.message.slice(0, MOST_LETTERS),
  code: error.parent?.code,
  errno: error.parent?.errno,
  stack: error.stack
    ?.split('\n')
    .filter((line) => /^\s+at /.test(line))
    .join('\n'),
});
const MOST_LETTERS = 200;

/** Puts the server together on a database; listening is the caller's. */
export function createApp(
  models: Models,
  config: Pick<Config, 'logLevel' | 'web' | 'secureCookie' | 'key'> &
    Partial<Pick<Config, 'webProxy' | 'proxies' | 'photoBytes'>> & {
      /** Where the log goes; to standard output unless it is given. */
      logTo?: DestinationStream;
    },
  now: () => Date = () => new Date(),
): Express {
  const { sequelize } = models;
  const store = <Body extends object>(model: DocumentModel, noun: string) =>
    new DocumentStore<Body>(sequelize, model, noun, models.acceptedWrites);
  const lawnStore = store<LawnBody>(models.lawns, 'lawn');
  const visitStore = store<VisitBody>(models.visits, 'visit');
  const recordStore = store<ApplicationRecordBody>(models.records, 'record');
  const readingStore = store<ReadingBody>(models.readings, 'reading');
  const customerStore = store<CustomerBody>(models.customers, 'customer');
  const sampleStore = store<SoilSampleBody>(models.samples, 'soil sample');
  const photoStore = store<PhotoBody>(models.photos, 'photo');
  const reportStore = store<ReportBody>(models.reports, 'report');
  const companies = new CompanyService(models, now);
  const sessions = new SessionService(models, now);
  const weather = new WeatherService(models, standInStations);
  const memory = new PlanMemory(models);
  const seasons = new SeasonKeeper(
    models,
    {
      lawns: lawnStore,
      visits: visitStore,
      records: recordStore,
      readings: readingStore,
      samples: sampleStore,
    },
    weather,
    new SummaryPool(),
    memory,
  );
  const lawns = new LawnService(lawnStore, weather, seasons, memory);
  const photos = new PhotoService(models, photoStore, lawnStore, config.photoBytes);
  const reports = new ReportService(
    models,
    reportStore,
    lawnStore,
    visitStore,
    photos,
    companies,
    new LinkTokens(config.key),
  );

  const app = express();
  app.disable('x-powered-by');
  // Behind so many proxies of one's own; an address that a stranger writes into a header is not believed.
  app.set('trust proxy', config.proxies ?? 0);
  app.use(
    pinoHttp({
      logger: config.logTo
        ? pino({ level: config.logLevel }, config.logTo)
        : pino({ level: config.logLevel }),
      // A line for each request only where somebody reads it.
      autoLogging: ['info', 'debug', 'trace'].includes(config.logLevel),
      redact: ['req.headers.cookie', 'res.headers["set-cookie"]'],
      serializers: { err: withoutBodies },
    }),
  );
  // The page's policy goes with the page; on every answer it would outweigh most of them.
  app.use(
    '/api',
    helmet({ contentSecurityPolicy: false, hsts: config.secureCookie, ...FEW_HEADERS }),
  );
  // Answers are somebody's own: no cache between keeps them, and the browser's own asks before it uses one.
  app.use('/api', (_request, response, next) => {
    response.setHeader('cache-control', 'private, no-cache');
    response.vary('cookie');
    next();
  });
  app.use('/api', compression({ threshold: LEAST_COMPRESSED_BYTES }));
  app.use(express.json({ limit: BODY_LIMIT }));

  const api = express.Router();
  api.get('/health', async (_request, response) => {
    const database = await sequelize
      .authenticate()
      .then(() => true)
      .catch(() => false);
    response.status(database ? 200 : 503).json({ ok: database, database });
  });
  const document = openApi();
  api.get('/openapi.json', (_request, response) => {
    response.json(document);
  });
  api.use('/shared', sharedReportRoutes(reports));
  api.use('/session', sessionRoutes(sessions, config));
  api.use(requireSession(sessions));
  api.use('/company', companyRoutes(companies));
  const visits = visitResource(visitStore, lawnStore);
  const records = recordResource(recordStore, lawnStore, companies, {
    store: sampleStore,
    laboratory: standInLaboratory,
  });
  const readings = readingResource(readingStore, lawnStore, companies);
  const lawnRouter = lawnRoutes(lawns, companies);
  listUnderLawn(lawnRouter, 'visits', visits);
  listUnderLawn(lawnRouter, 'records', records);
  listUnderLawn(lawnRouter, 'readings', readings);
  const samples = sampleResource(sampleStore, lawnStore, companies, standInLaboratory);
  listUnderLawn(lawnRouter, 'samples', samples);
  listUnderLawn(lawnRouter, 'photos', photos.resource());
  listUnderLawn(lawnRouter, 'reports', reports.resource());
  api.use('/lawns', lawnRouter);
  api.use('/visits', lawnDocumentRoutes(visits));
  api.use('/records', lawnDocumentRoutes(records));
  api.use('/readings', lawnDocumentRoutes(readings));
  api.use('/customers', customerRoutes(customerStore));
  api.use('/samples', lawnDocumentRoutes(samples));
  api.use('/photos', photoRoutes(photos));
  api.use('/reports', lawnDocumentRoutes(reports.resource()));
  api.use(
    '/take-along',
    takeAlongRoutes({
      sequelize,
      companies,
      customers: customerStore,
      lawns,
      visits: visitStore,
      records: recordStore,
      readings: readingStore,
      samples: sampleStore,
      photos,
      reports,
      laboratory: standInLaboratory,
      weather,
    }),
  );
  api.use('/stations', stationRoutes(weather, companies));
  api.use(() => {
    throw new HttpFailure('not-found', 'There is no such address.');
  });
  app.use('/api', api);

  if (config.webProxy) app.use(proxyWeb(config.webProxy));
  else if (config.web) serveWeb(app, config.web);
  app.use(failureHandler);
  return app;
}
