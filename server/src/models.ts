import type { ModelStatic, Sequelize } from 'sequelize';
import { defineCompany, type CompanyRow } from './companies/model';
import { defineDocument, type DocumentModel } from './documents/document';
import { defineSession, defineUser, type SessionRow, type UserRow } from './sessions/model';
import { defineStationDay, type StationDayRow } from './weather/model';

export interface Models {
  sequelize: Sequelize;
  companies: ModelStatic<CompanyRow>;
  users: ModelStatic<UserRow>;
  sessions: ModelStatic<SessionRow>;
  lawns: DocumentModel;
  visits: DocumentModel;
  records: DocumentModel;
  readings: DocumentModel;
  stationDays: ModelStatic<StationDayRow>;
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
    stationDays: defineStationDay(sequelize),
  };
}
