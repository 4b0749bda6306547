import { DataTypes, type QueryInterface } from 'sequelize';

export interface Migration {
  name: string;
  up: (context: { context: QueryInterface }) => Promise<void>;
}

const id = { type: DataTypes.UUID, primaryKey: true, allowNull: false };
const company = {
  type: DataTypes.UUID,
  allowNull: false,
  references: { model: 'companies', key: 'id' },
  onDelete: 'CASCADE',
};
const stamps = {
  created_at: { type: DataTypes.DATE, allowNull: false },
  updated_at: { type: DataTypes.DATE, allowNull: false },
};
/** What every versioned document carries. */
const document = {
  id,
  company_id: company,
  version: { type: DataTypes.INTEGER, allowNull: false },
  body: { type: DataTypes.JSON, allowNull: false },
  ...stamps,
};
const ofLawn = {
  lawn_id: {
    type: DataTypes.UUID,
    allowNull: false,
    references: { model: 'lawns', key: 'id' },
    onDelete: 'CASCADE',
  },
  date: { type: DataTypes.DATEONLY, allowNull: false },
};

/** Migrations in order. A migration that has landed is never edited. */
export const migrations: readonly Migration[] = [
  {
    name: '0001-companies-lawns-visits-records',
    up: async ({ context }) => {
      await context.createTable('companies', {
        id,
        name: { type: DataTypes.STRING(120), allowNull: false },
        demo: { type: DataTypes.BOOLEAN, allowNull: false },
        clock: { type: DataTypes.JSON, allowNull: false },
        policy: { type: DataTypes.JSON, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false },
        ...stamps,
      });
      await context.createTable('users', {
        id,
        company_id: company,
        name: { type: DataTypes.STRING(120), allowNull: false },
        email: { type: DataTypes.STRING(160), allowNull: false, unique: true },
        role: { type: DataTypes.STRING(20), allowNull: false },
        licence: { type: DataTypes.STRING(60), allowNull: false },
        password_hash: { type: DataTypes.STRING(255), allowNull: false },
        ...stamps,
      });
      await context.createTable('sessions', {
        token_hash: { type: DataTypes.CHAR(64), primaryKey: true, allowNull: false },
        user_id: {
          type: DataTypes.UUID,
          allowNull: false,
          references: { model: 'users', key: 'id' },
          onDelete: 'CASCADE',
        },
        expires_at: { type: DataTypes.DATE, allowNull: false },
        ...stamps,
      });
      await context.createTable('lawns', document);
      for (const table of ['visits', 'records', 'readings']) {
        await context.createTable(table, { ...document, ...ofLawn });
        await context.addIndex(table, ['company_id', 'lawn_id', 'date']);
      }
      await context.addIndex('lawns', ['company_id']);
      await context.createTable('station_days', {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        company_id: company,
        station_id: { type: DataTypes.STRING(60), allowNull: false },
        date: { type: DataTypes.DATEONLY, allowNull: false },
        body: { type: DataTypes.JSON, allowNull: false },
        ...stamps,
      });
      await context.addIndex('station_days', ['company_id', 'station_id', 'date'], {
        unique: true,
      });
    },
  },
  {
    name: '0002-customers-samples-photos-reports-accepted-writes',
    up: async ({ context }) => {
      await context.createTable('customers', document);
      await context.addIndex('customers', ['company_id']);
      for (const table of ['samples', 'photos', 'reports']) {
        await context.createTable(table, { ...document, ...ofLawn });
        await context.addIndex(table, ['company_id', 'lawn_id', 'date']);
      }
      await context.createTable('photo_pieces', {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        photo_id: {
          type: DataTypes.UUID,
          allowNull: false,
          references: { model: 'photos', key: 'id' },
          onDelete: 'CASCADE',
        },
        start: { type: DataTypes.INTEGER, allowNull: false },
        bytes: { type: DataTypes.BLOB('medium'), allowNull: false },
        ...stamps,
      });
      await context.addIndex('photo_pieces', ['photo_id', 'start'], { unique: true });
      await context.createTable('report_links', {
        token: { type: DataTypes.STRING(64), primaryKey: true, allowNull: false },
        report_id: {
          type: DataTypes.UUID,
          allowNull: false,
          unique: true,
          references: { model: 'reports', key: 'id' },
          onDelete: 'CASCADE',
        },
        company_id: company,
        ...stamps,
      });
      await context.createTable('accepted_writes', {
        write_id: id,
        company_id: company,
        document_id: { type: DataTypes.UUID, allowNull: false },
        ...stamps,
      });
      await context.addIndex('accepted_writes', ['company_id', 'created_at']);
    },
  },
  {
    name: '0003-ledger-by-company-and-indexes',
    up: async ({ context }) => {
      // A company's ids of writes are its own: another's say nothing about them.
      await context.sequelize.query(
        'ALTER TABLE accepted_writes DROP PRIMARY KEY, ADD PRIMARY KEY (company_id, write_id)',
      );
      await context.addIndex('accepted_writes', ['created_at']);
      await context.addIndex('sessions', ['expires_at']);
      for (const table of [
        'lawns',
        'customers',
        'visits',
        'records',
        'readings',
        'samples',
        'photos',
        'reports',
      ]) {
        await context.addIndex(table, ['company_id', 'id']);
      }
    },
  },
  {
    name: '0004-photo-files-and-links-that-tell-nothing',
    up: async ({ context }) => {
      await context.createTable('photo_files', {
        photo_id: {
          type: DataTypes.UUID,
          primaryKey: true,
          allowNull: false,
          references: { model: 'photos', key: 'id' },
          onDelete: 'CASCADE',
        },
        company_id: company,
        size: { type: DataTypes.INTEGER, allowNull: false },
        bytes: { type: DataTypes.BLOB('medium'), allowNull: true },
        ...stamps,
      });
      await context.addIndex('photo_files', ['company_id', 'size']);
      // Links of before lay here in clear; a report gives a new one when it is next looked at.
      await context.dropTable('report_links');
      await context.createTable('report_links', {
        report_id: {
          type: DataTypes.UUID,
          primaryKey: true,
          allowNull: false,
          references: { model: 'reports', key: 'id' },
          onDelete: 'CASCADE',
        },
        company_id: company,
        nonce: { type: DataTypes.CHAR(32), allowNull: false },
        token_hash: { type: DataTypes.CHAR(64), allowNull: false, unique: true },
        shown: { type: DataTypes.JSON, allowNull: false },
        shown_version: { type: DataTypes.INTEGER, allowNull: false },
        ...stamps,
      });
    },
  },
  {
    name: '0005-seasons-kept-and-versions-of-stations',
    up: async ({ context }) => {
      await context.createTable('station_versions', {
        company_id: { ...company, primaryKey: true },
        station_id: { type: DataTypes.STRING(60), primaryKey: true, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false },
        ...stamps,
      });
      await context.createTable('lawn_seasons', {
        lawn_id: { ...ofLawn.lawn_id, primaryKey: true },
        company_id: company,
        stands_on: { type: DataTypes.CHAR(43), allowNull: false },
        body: { type: DataTypes.JSON, allowNull: false },
        ...stamps,
      });
      await context.addIndex('lawn_seasons', ['company_id']);
      await context.createTable('season_leases', {
        company_id: { ...company, primaryKey: true },
        holder: { type: DataTypes.UUID, allowNull: false },
        until: { type: DataTypes.DATE(3), allowNull: false },
        ...stamps,
      });
    },
  },
  {
    name: '0006-plans-remembered-and-what-moved-in-them',
    up: async ({ context }) => {
      await context.createTable('lawn_plans', {
        lawn_id: { ...ofLawn.lawn_id, primaryKey: true },
        company_id: company,
        day: { type: DataTypes.DATEONLY, allowNull: false },
        works: { type: DataTypes.JSON, allowNull: false },
        asked: { type: DataTypes.BLOB('medium'), allowNull: false },
        code: { type: DataTypes.CHAR(43), allowNull: false },
        policy: { type: DataTypes.CHAR(43), allowNull: false },
        ...stamps,
      });
      await context.createTable('lawn_revisions', {
        id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        lawn_id: ofLawn.lawn_id,
        company_id: company,
        day: { type: DataTypes.DATEONLY, allowNull: false },
        moves: { type: DataTypes.JSON, allowNull: false },
        ...stamps,
      });
      await context.addIndex('lawn_revisions', ['company_id', 'lawn_id', 'id']);
    },
  },
];
