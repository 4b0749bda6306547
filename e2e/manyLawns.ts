/** A company of two thousand lawns on the real server: seasons cold, warm, after a restart, after one cause. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { connect } from '../server/src/database/connect.ts';
import { defineModels, type Models } from '../server/src/models.ts';
import { ADDRESS, DB_DIR, DB_PORT, serverPid, startServer, stopServer } from './testServer.ts';

const LAWNS = Number(process.env.SOAK_LAWNS ?? 2000);
const TOGETHER = 4;
const MB = 1024 * 1024;

/** Copies the demo's lawns, with all that lies under them, into a company of its own. @returns its owner's address */
async function companyOf(models: Models, lawns: number): Promise<string> {
  const demo = await models.companies.findOne({ where: { demo: true }, rejectOnEmpty: true });
  const owner = await models.users.findOne({
    where: { companyId: demo.id, role: 'owner' },
    rejectOnEmpty: true,
  });
  const companyId = uuid();
  const email = `owner-${companyId}@alfombra.example`;
  await models.companies.create({ ...demo.get(), id: companyId, name: 'Many', demo: false });
  await models.users.create({ ...owner.get(), id: uuid(), companyId, email });
  const templates = await models.lawns.findAll({ where: { companyId: demo.id } });
  const ids = new Map<string, string[]>(templates.map(({ id }) => [id, []]));
  const rows = Array.from({ length: lawns }, (_, index) => {
    const template = templates[index % templates.length]!;
    const id = uuid();
    ids.get(template.id)!.push(id);
    return { id, companyId, version: 1, body: template.body };
  });
  for (let from = 0; from < rows.length; from += 200) {
    await models.lawns.bulkCreate(rows.slice(from, from + 200));
  }
  for (const model of [models.visits, models.records, models.readings, models.samples]) {
    const under = await model.findAll({ where: { companyId: demo.id } });
    const copies = under.flatMap((document) =>
      ids.get(document.lawnId)!.map((lawnId) => ({
        id: uuid(),
        companyId,
        lawnId,
        date: document.date,
        version: 1,
        body: { ...document.body, lawnId },
      })),
    );
    for (let from = 0; from < copies.length; from += 200) {
      await model.bulkCreate(copies.slice(from, from + 200));
    }
  }
  return email;
}

async function signedIn(email: string): Promise<string> {
  const answer = await fetch(`${ADDRESS}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email, password: 'woven-rug' }),
  });
  return answer.headers.get('set-cookie')?.split(';')[0] ?? '';
}
async function list(cookie: string): Promise<{ ms: number; rows: { id: string }[] }> {
  const begun = performance.now();
  const answer = await fetch(`${ADDRESS}/api/lawns`, { headers: { cookie } });
  const rows = (await answer.json()) as { id: string }[];
  return { ms: performance.now() - begun, rows };
}

const status = () => readFileSync(`/proc/${serverPid()}/status`, 'utf8');
const rssMb = () => (Number(/VmRSS:\s+(\d+)/.exec(status())?.[1]) * 1024) / MB;
/** Processor time of the server with its threads, ms; the kernel counts in hundredths of a second. */
function cpuMs(): number {
  const fields = readFileSync(`/proc/${serverPid()}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return (Number(fields[11]) + Number(fields[12])) * 10;
}
async function watched<Value>(work: () => Promise<Value>) {
  let peak = 0;
  const timer = setInterval(() => (peak = Math.max(peak, rssMb())), 100);
  const before = cpuMs();
  const begun = performance.now();
  const value = await work();
  clearInterval(timer);
  return { value, peak, ms: performance.now() - begun, cpu: cpuMs() - before };
}

const FAILED = 'NOT MET';
const told = (met: boolean) => (met ? '' : `  ${FAILED}`);

/** @returns how many limits were not kept */
export async function manyLawns(say: (line: string) => void): Promise<number> {
  const lines: string[] = [];
  const tell = (line: string) => {
    lines.push(line);
    say(line);
  };
  await startServer({ reset: true });
  const sequelize = connect({
    port: Number(DB_PORT),
    name: 'alfombra',
    user: 'alfombra',
    password: readFileSync(join(DB_DIR, 'password'), 'utf8'),
  });
  try {
    const models = defineModels(sequelize);
    const one = await signedIn(await companyOf(models, LAWNS));
    const cold = await watched(() => list(one));
    const { rows } = cold.value;
    tell(
      `${rows.length} lawns cold: ${(cold.ms / 1000).toFixed(1)} s (45), ${(cold.cpu / rows.length).toFixed(1)} ms of processor each (30), RSS at most ${cold.peak.toFixed(0)} MB (700)${told(cold.ms < 45_000 && cold.cpu / rows.length <= 30 && cold.peak < 700)}`,
    );
    tell(`  again: ${(await list(one)).ms.toFixed(0)} ms`);
    await stopServer();
    await startServer({ reset: false });
    const again = await list(one);
    tell(`  after a restart: ${again.ms.toFixed(0)} ms (500)${told(again.ms < 500)}`);
    const lawnId = rows[0]!.id;
    const lawn = (await (
      await fetch(`${ADDRESS}/api/lawns/${lawnId}`, { headers: { cookie: one } })
    ).json()) as { zones: { id: string }[] };
    const look = {
      zoneId: lawn.zones[0]!.id,
      patchId: null,
      answers: {},
      tests: [],
      leading: [],
      decision: { kind: 'cause', cause: 'dollar-spot' },
      weeds: [],
    };
    await fetch(`${ADDRESS}/api/visits/${uuid()}`, {
      method: 'PUT',
      headers: { cookie: one, 'content-type': 'application/json' },
      body: JSON.stringify({
        lawnId,
        date: '2026-04-08',
        technician: 'Soak',
        looks: [look],
        version: 0,
      }),
    });
    const cause = await list(one);
    tell(`  after one confirmed cause: ${cause.ms.toFixed(0)} ms (500)${told(cause.ms < 500)}`);
    const each = Math.round(LAWNS / 2);
    const others: string[] = [];
    for (let count = 0; count < TOGETHER; count += 1) {
      others.push(await signedIn(await companyOf(models, each)));
    }
    const together = await watched(() => Promise.all(others.map(list)));
    tell(
      `${TOGETHER} companies of ${each} lawns cold at once: ${(together.ms / 1000).toFixed(1)} s, RSS at most ${together.peak.toFixed(0)} MB (1024)${told(together.peak < 1024)}`,
    );
  } finally {
    await sequelize.close();
    await stopServer();
  }
  return lines.filter((line) => line.includes(FAILED)).length;
}
