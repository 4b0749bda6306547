import type { ModelStatic, Sequelize } from 'sequelize';
import { defineAcceptedWrite, type AcceptedWriteRow } from './documents/acceptedWrite';
import { defineCompany, type CompanyRow } from './companies/model';
import {
  defineLawnPlan,
  defineLawnRevision,
  defineLawnSeason,
  defineSeasonLease,
  type LawnPlanRow,
  type LawnRevisionRow,
  type LawnSeasonRow,
  type SeasonLeaseRow,
} from './lawns/model';
import { defineDocument, type DocumentModel } from './documents/document';
import {
  definePhotoFile,
  definePhotoPiece,
  type PhotoFileRow,
  type PhotoPieceRow,
} from './photos/model';
import { defineReportLink, type ReportLinkRow } from './reports/model';
import { defineSession, defineUser, type SessionRow, type UserRow } from './sessions/model';
import {
  defineStationDay,
  defineStationVersion,
  type StationDayRow,
  type StationVersionRow,
} from './weather/model';

export interface Models {
  sequelize: Sequelize;
  companies: ModelStatic<CompanyRow>;
  users: ModelStatic<UserRow>;
  sessions: ModelStatic<SessionRow>;
  lawns: DocumentModel;
  visits: DocumentModel;
  records: DocumentModel;
  readings: DocumentModel;
  customers: DocumentModel;
  samples: DocumentModel;
  photos: DocumentModel;
  photoPieces: ModelStatic<PhotoPieceRow>;
  photoFiles: ModelStatic<PhotoFileRow>;
  reports: DocumentModel;
  reportLinks: ModelStatic<ReportLinkRow>;
  acceptedWrites: ModelStatic<AcceptedWriteRow>;
  stationDays: ModelStatic<StationDayRow>;
  stationVersions: ModelStatic<StationVersionRow>;
  lawnSeasons: ModelStatic<LawnSeasonRow>;
  lawnPlans: ModelStatic<LawnPlanRow>;
  lawnRevisions: ModelStatic<LawnRevisionRow>;
  seasonLeases: ModelStatic<SeasonLeaseRow>;
}

/** All tables as Sequelize models on one connection. */
export function defineModels(sequelize: Sequelize): Models {
  return {
    sequelize,
    companies: defineCompany(sequelize),
    users: defineUser(sequelize),
    sessions: defineSession(sequelize),
    lawns: defineDocument(sequelize, 'lawns', { ofLawn: false }),
    visits: defineDocument(sequelize, 'visits', { ofLawn: true }),
    records: defineDocument(sequelize, 'records', { ofLawn: true }),
    readings: defineDocument(sequelize, 'readings', { ofLawn: true }),
    customers: defineDocument(sequelize, 'customers', { ofLawn: false }),
    samples: defineDocument(sequelize, 'samples', { ofLawn: true }),
    photos: defineDocument(sequelize, 'photos', { ofLawn: true }),
    photoPieces: definePhotoPiece(sequelize),
    photoFiles: definePhotoFile(sequelize),
    reports: defineDocument(sequelize, 'reports', { ofLawn: true }),
    reportLinks: defineReportLink(sequelize),
    acceptedWrites: defineAcceptedWrite(sequelize),
    stationDays: defineStationDay(sequelize),
    stationVersions: defineStationVersion(sequelize),
    lawnSeasons: defineLawnSeason(sequelize),
    lawnPlans: defineLawnPlan(sequelize),
    lawnRevisions: defineLawnRevision(sequelize),
    seasonLeases: defineSeasonLease(sequelize),
  };
}
