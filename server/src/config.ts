import { z } from 'zod';

const environment = z.object({
  ALFOMBRA_PORT: z.coerce.number().int().min(1).max(65535).default(8480),
  ALFOMBRA_HOST: z.string().default('127.0.0.1'),
  ALFOMBRA_DB_PORT: z.coerce.number().int().min(1).max(65535).default(33480),
  ALFOMBRA_DB_NAME: z.string().default('alfombra'),
  ALFOMBRA_DB_USER: z.string().default('alfombra'),
  ALFOMBRA_DB_PASSWORD: z.string().default('alfombra'),
  ALFOMBRA_LOG: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('warn'),
  ALFOMBRA_WEB: z.string().optional(),
  ALFOMBRA_WEB_PROXY: z.url().optional(),
  ALFOMBRA_SECURE_COOKIE: z.enum(['yes', 'no']).default('no'),
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
  };
}
