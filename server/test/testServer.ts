import { randomUUID } from 'node:crypto';
import { policySchema, type Company } from '@alfombra/core';
import type { Express } from 'express';
import request, { type Agent } from 'supertest';
import { createApp } from '../src/app';
import { connect } from '../src/database/connect';
import { migrate } from '../src/database/migrate';
import { defineModels, type Models } from '../src/models';
import { hashPassword } from '../src/sessions/password';

export interface TestServer {
  app: Express;
  models: Models;
  /** Moves the server's clock. */
  setNow: (now: Date) => void;
  close: () => Promise<void>;
}

export const PASSWORD = 'a-test-password';

/** A server on the tests' database, with its tables made. */
export async function testServer(): Promise<TestServer> {
  const sequelize = connect({
    port: Number(process.env.ALFOMBRA_TEST_DB_PORT ?? 13491),
    name: 'alfombra_test',
    user: 'alfombra',
    password: process.env.ALFOMBRA_TEST_DB_PASSWORD ?? '',
  });
  await migrate(sequelize);
  const models = defineModels(sequelize);
  let now = new Date();
  const app = createApp(
    models,
    { logLevel: 'silent', web: undefined, secureCookie: false, key: 'a key of the tests alone' },
    () => now,
  );
  return {
    app,
    models,
    setNow: (value) => (now = value),
    close: () => sequelize.close(),
  };
}

let passwordHash: Promise<string> | undefined;

/** A new company with one person, signed in. */
export async function signedInCompany(
  { app, models }: TestServer,
  {
    role = 'owner' as 'owner' | 'technician',
    clock = { kind: 'fixed', date: '2026-04-08' } as Company['clock'],
  } = {},
): Promise<{ agent: Agent; companyId: string; email: string }> {
  passwordHash ??= hashPassword(PASSWORD);
  const companyId = randomUUID();
  const email = `${role}-${companyId}@test.example`;
  await models.companies.create({
    id: companyId,
    name: 'Test company',
    demo: false,
    clock,
    policy: policySchema.parse({}),
    version: 1,
  });
  await models.users.create({
    id: randomUUID(),
    companyId,
    name: 'Test Person',
    email,
    role,
    licence: 'T-1',
    passwordHash: await passwordHash,
  });
  const agent = request.agent(app);
  await agent.post('/api/session').send({ email, password: PASSWORD }).expect(200);
  return { agent, companyId, email };
}

/** A rectangular lawn of one zone. */
export function lawnBody(zoneId: string = randomUUID()) {
  return {
    name: '1 Test Street',
    customer: 'Nobody',
    region: 'transition',
    stationId: 'valley',
    upkeep: 'standard',
    zones: [
      {
        id: zoneId,
        name: 'Back',
        outline: [
          { x: 0, y: 0 },
          { x: 60, y: 0 },
          { x: 60, y: 50 },
          { x: 0, y: 50 },
        ],
        edges: ['confirmed', 'confirmed', 'confirmed', 'confirmed'],
        stand: [{ species: 'tall-fescue', cover: 0.7 }],
        desired: ['tall-fescue'],
        site: { factors: ['full-sun-tall'] },
      },
    ],
    patches: [],
    choices: {},
  };
}

/** A report of a lawn that says nothing yet. */
export const reportBody = (lawnId: string, fields: object = {}) => ({
  lawnId,
  date: '2026-04-08',
  visitId: null,
  language: 'en',
  findings: [],
  assumptions: [],
  questionIds: [],
  photoIds: [],
  expiresOn: '2026-05-08',
  ...fields,
});
