import { createServer } from 'node:http';
import pino from 'pino';
import { createApp } from './app';
import { readConfig } from './config';
import { connect } from './database/connect';
import { migrate } from './database/migrate';
import { DEMO_PASSWORD, demoUsers } from './demo/company';
import { loadDemo } from './demo/load';
import { defineModels } from './models';

const config = readConfig(process.env);
const sequelize = connect(config.database);
const models = defineModels(sequelize);

/** What it was told makes no sense; whoever starts servers need not try again. */
const HOPELESS = 78;
/** Something went wrong that nobody saw coming: a fresh process is better than this one. */
const CRASHED = 70;

const say = (line: string) => process.stdout.write(`${line}\n`);
const fail = (line: string): never => {
  process.stderr.write(`${line}\n`);
  process.exit(HOPELESS);
};

const applied = await migrate(sequelize);
if (applied.length > 0) say(`      database schema: ${applied.join(', ')}`);
const loaded = await loadDemo(models, { reset: process.argv.includes('--reset-demo') });
say(loaded ? '      demo company loaded' : '      demo company kept as it was left');

const logger = pino({ level: config.logLevel });
for (const event of ['uncaughtException', 'unhandledRejection'] as const) {
  process.on(event, (error: unknown) => {
    logger.fatal({ err: error }, event);
    process.exit(CRASHED);
  });
}

const server = createServer(createApp(models, config));
server.on('error', (error: NodeJS.ErrnoException) =>
  fail(
    error.code === 'EADDRINUSE'
      ? `Port ${config.port} is in use. Stop what uses it, or choose another: ALFOMBRA_PORT=8481 npm start`
      : `The server cannot listen: ${error.message}`,
  ),
);
server.listen(config.port, config.host, () => {
  say('');
  say(
    `  Alfombra is at  http://${config.host === '0.0.0.0' ? 'localhost' : config.host}:${config.port}`,
  );
  for (const user of demoUsers)
    say(`  ${user.role.padEnd(10)}      ${user.email} / ${DEMO_PASSWORD}`);
  say('  Ctrl-C stops it.');
});

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    server.close(() => void sequelize.close().then(() => process.exit(0)));
    server.closeAllConnections();
  });
}
