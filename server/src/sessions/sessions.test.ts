import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { createApp } from '../app';
import { PASSWORD, signedInCompany, testServer, type TestServer } from '../../test/testServer';
import { hashPassword, passwordMatches } from './password';

let server: TestServer;
beforeAll(async () => (server = await testServer()));
afterAll(() => server.close());
afterEach(() => server.setNow(new Date()));

it('hashes with a salt and knows its own', async () => {
  const [a, b] = await Promise.all([hashPassword('grass'), hashPassword('grass')]);
  expect(a).not.toBe(b);
  expect(await passwordMatches('grass', a)).toBe(true);
  expect(await passwordMatches('gras', a)).toBe(false);
  expect(await passwordMatches('grass', 'broken')).toBe(false);
});

it('signs in with a cookie that scripts cannot read, and out again', async () => {
  const { email } = await signedInCompany(server);
  const agent = request.agent(server.app);
  const response = await agent.post('/api/session').send({ email, password: PASSWORD });
  expect(response.status).toBe(200);
  expect(response.body).toMatchObject({ email, role: 'owner' });
  expect(JSON.stringify(response.body)).not.toContain('assword');
  const cookie = String(response.headers['set-cookie']);
  expect(cookie).toMatch(/HttpOnly/i);
  expect(cookie).toMatch(/SameSite=Strict/i);
  await agent.get('/api/session').expect(200);
  await agent.delete('/api/session').expect(204);
  const gone = await agent.get('/api/session').expect(401);
  expect(gone.body.error.code).toBe('signed-out');
});

it('does not say whether the address or the password is wrong', async () => {
  const { email } = await signedInCompany(server);
  const wrong = await request(server.app).post('/api/session').send({ email, password: 'no' });
  const nobody = await request(server.app)
    .post('/api/session')
    .send({ email: 'nobody@test.example', password: 'no' });
  expect(wrong.status).toBe(401);
  expect(wrong.body).toEqual(nobody.body);
  expect(wrong.body.error.path).toEqual(['password']);
});

it('names the field of a malformed sign-in', async () => {
  const response = await request(server.app)
    .post('/api/session')
    .send({ email: 'x', password: '' });
  expect(response.status).toBe(422);
  expect(response.body.error.issues.map((i: { path: string[] }) => i.path[0])).toEqual([
    'email',
    'password',
  ]);
});

it('ends a session when its time is over', async () => {
  const { agent } = await signedInCompany(server);
  await agent.get('/api/lawns').expect(200);
  server.setNow(new Date(Date.now() + 31 * 86_400_000));
  const response = await agent.get('/api/lawns').expect(401);
  expect(response.body.error.code).toBe('signed-out');
});

it('stops guessing after ten tries, for that address only', async () => {
  const { email } = await signedInCompany(server);
  const guess = (who: string) =>
    request(server.app).post('/api/session').send({ email: who, password: 'guess' });
  for (let i = 0; i < 10; i += 1) expect((await guess(email)).status).toBe(401);
  const stopped = await guess(email);
  expect(stopped.status).toBe(429);
  expect(stopped.body.error.code).toBe('too-many-tries');
  expect((await guess('somebody-else@test.example')).status).toBe(401);
});

it('stops one address that tries a password on many accounts', async () => {
  const app = appBehind(1);
  const guess = (address: string) =>
    request(app)
      .post('/api/session')
      .set('x-forwarded-for', address)
      .send({ email: `${randomUUID()}@test.example`, password: 'guess' });
  const answers = [];
  for (let i = 0; i < 60; i += 1) answers.push((await guess('198.51.100.7')).status);
  expect(new Set(answers)).toEqual(new Set([401]));
  expect((await guess('198.51.100.7')).status).toBe(429);
  expect((await guess('198.51.100.8')).status).toBe(401);
}, 60_000);

it('lets nobody shut out the person of an account from elsewhere', async () => {
  const { email } = await signedInCompany(server);
  const app = appBehind(1);
  const attempt = (host: number, password: string) =>
    request(app)
      .post('/api/session')
      .set('x-forwarded-for', `198.51.100.${host}`)
      .send({ email, password });
  await Promise.all(Array.from({ length: 40 }, (_, host) => attempt(host, 'guess')));
  expect((await attempt(200, PASSWORD)).status).toBe(200);
}, 60_000);

it('believes no address that a stranger writes into a header', async () => {
  const { email } = await signedInCompany(server);
  const app = appBehind(0);
  const statuses = [];
  for (let host = 0; host < 11; host += 1) {
    statuses.push(
      (
        await request(app)
          .post('/api/session')
          .set('x-forwarded-for', `198.51.100.${host}`)
          .send({ email, password: 'guess' })
      ).status,
    );
  }
  expect(statuses.pop()).toBe(429);
});

it('ends who was signed in on a device before, and takes work from its writer only', async () => {
  const [one, two] = await Promise.all([signedInCompany(server), signedInCompany(server)]);
  const signIn = (email: string, cookie = '') =>
    request(server.app)
      .post('/api/session')
      .set('cookie', cookie)
      .send({ email, password: PASSWORD });
  const first = await signIn(one.email);
  const cookie = String(first.headers['set-cookie']).split(';')[0] ?? '';
  await request(server.app).get('/api/session').set('cookie', cookie).expect(200);
  await signIn(two.email, cookie);
  await request(server.app).get('/api/session').set('cookie', cookie).expect(401);
  const foreign = await two.agent.get('/api/lawns').set('alfombra-writer', first.body.id);
  expect([foreign.status, foreign.body.error.code]).toEqual([401, 'signed-out']);
});

it('has answers kept by nobody on the way, and says so over HTTPS for good', async () => {
  const answer = await request(server.app).get('/api/session');
  expect(answer.headers['cache-control']).toBe('private, no-cache');
  expect(answer.headers.vary).toContain('cookie');
  expect(answer.headers['access-control-allow-origin']).toBeUndefined();
  expect(answer.headers['strict-transport-security']).toBeUndefined();
  const secure = createApp(server.models, { ...CONFIG, secureCookie: true });
  expect((await request(secure).get('/api/session')).headers['strict-transport-security']).toMatch(
    /max-age=\d{8}/,
  );
});

const CONFIG = {
  logLevel: 'silent',
  web: undefined,
  secureCookie: false,
  key: 'a key of the tests alone',
};
/** The same server, so many proxies behind. */
const appBehind = (proxies: number) => createApp(server.models, { ...CONFIG, proxies });
