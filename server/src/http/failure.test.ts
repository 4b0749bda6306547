import express from 'express';
import pino from 'pino';
import { pinoHttp } from 'pino-http';
import { ConnectionAcquireTimeoutError, ConnectionRefusedError, DatabaseError } from 'sequelize';
import request from 'supertest';
import { failureHandler } from './failure';

const ofDatabase = (parent: { errno?: number; fatal?: boolean }) =>
  new DatabaseError(Object.assign(new Error('of the driver'), { sql: 'SELECT 1', ...parent }));

it.each([
  ['a refused connection', new ConnectionRefusedError(new Error('no')), 503],
  ['no connection free in time', new ConnectionAcquireTimeoutError(new Error('late')), 503],
  ['a connection that broke in the middle', ofDatabase({ fatal: true }), 503],
  ['a full disk', ofDatabase({ errno: 1021 }), 503],
  ['a full table', ofDatabase({ errno: 1114, fatal: false }), 503],
  ['a fault of the question itself', ofDatabase({ errno: 1054, fatal: false }), 500],
  ['a fault of ours', new TypeError('undefined is no function'), 500],
])('answers %s with what the phone is to do', async (_case, error, status) => {
  const app = express();
  app.use(pinoHttp({ logger: pino({ level: 'silent' }) }));
  app.get('/', () => {
    throw error;
  });
  app.use(failureHandler);
  const answer = await request(app).get('/').expect(status);
  expect(answer.body.error.code).toBe(status === 503 ? 'unavailable' : 'internal');
});
