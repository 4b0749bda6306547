import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';

const environment = z.object({
  ALFOMBRA_PORT: z.coerce.number().int().min(1).max(65535).default(8480),
  ALFOMBRA_HOST: z.string().default('127.0.0.1'),
  ALFOMBRA_DB_PORT: z.coerce.number().int().min(1).max(65535).default(13480),
  ALFOMBRA_DB_NAME: z.string().default('alfombra'),
  ALFOMBRA_DB_USER: z.string().default('alfombra'),
  ALFOMBRA_DB_PASSWORD: z.string({ error: 'the password that scripts/database.sh has made' }),
  ALFOMBRA_LOG: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('warn'),
  ALFOMBRA_WEB: z.string().optional(),
  ALFOMBRA_WEB_PROXY: z.url().optional(),
  ALFOMBRA_SECURE_COOKIE: z.enum(['yes', 'no']).default('no'),
  ALFOMBRA_PROXIES: z.coerce.number().int().min(0).max(5).default(0),
  ALFOMBRA_PHOTO_GB: z.coerce.number().min(0).max(10_000).default(20),
  ALFOMBRA_KEY: z.string().min(32).optional(),
  ALFOMBRA_DATA: z.string().default('.data'),
});

export interface Config {
  port: number;
  host: string;
  database: { port: number; name: string; user: string; password: string };
  logLevel: string;
  /** Folder of the built web app; absent when only the API is served. */
  web: string | undefined;
  /** While somebody works on the app: who bundles it, asked for everything but the API. */
  webProxy: string | undefined;
  /** Cookies over HTTPS only; off on loopback. */
  secureCookie: boolean;
  /** Proxies of one's own in front, whose word for an address is believed. */
  proxies: number;
  /** Room for a company's photos, bytes. */
  photoBytes: number;
  /** What links are made with; in a file of its own unless it is given. */
  key: string;
}

/** The server's own key, made at its first start and readable by nobody else. */
function keptKey(folder: string): string {
  const file = join(folder, 'key');
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true });
    writeFileSync(file, randomBytes(32).toString('base64url'), { mode: 0o600, flag: 'wx' });
  }
  return readFileSync(file, 'utf8').trim();
}

/** Reads the settings from the environment; every one has a default that fits one machine. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const e = environment.parse(env);
  return {
    port: e.ALFOMBRA_PORT,
    host: e.ALFOMBRA_HOST,
    database: {
      port: e.ALFOMBRA_DB_PORT,
      name: e.ALFOMBRA_DB_NAME,
      user: e.ALFOMBRA_DB_USER,
      password: e.ALFOMBRA_DB_PASSWORD,
    },
    logLevel: e.ALFOMBRA_LOG,
    web: e.ALFOMBRA_WEB,
    webProxy: e.ALFOMBRA_WEB_PROXY,
    secureCookie: e.ALFOMBRA_SECURE_COOKIE === 'yes',
    proxies: e.ALFOMBRA_PROXIES,
    photoBytes: e.ALFOMBRA_PHOTO_GB * 1e9,
    key: e.ALFOMBRA_KEY ?? keptKey(e.ALFOMBRA_DATA),
  };
}
