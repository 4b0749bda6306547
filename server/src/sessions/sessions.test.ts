import request from 'supertest';
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
