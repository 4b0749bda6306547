import { signInSchema } from '@alfombra/core';
import { parseCookie } from 'cookie';
import { Router, type Request, type RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { bodyOf } from '../http/input';
import type { SessionService, SignedIn } from './service';

export const SESSION_COOKIE = 'alfombra';
const TRIES = 10;
const TRIES_WINDOW_MS = 5 * 60_000;

declare module 'express-serve-static-core' {
  interface Locals {
    signedIn?: SignedIn;
  }
}

const tokenOf = (request: Request): string | undefined =>
  parseCookie(request.headers.cookie ?? '')[SESSION_COOKIE];

/** Lets only signed-in requests through and notes who they are from. */
export function requireSession(sessions: SessionService): RequestHandler {
  return async (request, response, next) => {
    response.locals.signedIn = await sessions.find(tokenOf(request));
    next();
  };
}

/** Sign in, who am I, sign out. Tries are counted by address and by e-mail. */
export function sessionRoutes(
  sessions: SessionService,
  { secureCookie }: { secureCookie: boolean },
): Router {
  const router = Router();
  const limiter = rateLimit({
    windowMs: TRIES_WINDOW_MS,
    limit: TRIES,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    keyGenerator: (request) => {
      const body = request.body as { email?: unknown } | undefined;
      return `${request.socket.remoteAddress ?? ''}|${typeof body?.email === 'string' ? body.email.toLowerCase() : ''}`;
    },
    handler: (_request, response) => {
      response.status(429).json({
        error: {
          code: 'too-many-tries',
          message: 'Too many tries. Wait five minutes and try again.',
          path: ['password'],
        },
      });
    },
  });
  router.post('/', limiter, async (request, response) => {
    const { email, password } = bodyOf(request, signInSchema);
    const { user, token, maxAgeMs } = await sessions.signIn(email, password);
    response.cookie(SESSION_COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: secureCookie,
      path: '/',
      maxAge: maxAgeMs,
    });
    response.json(user);
  });
  router.get('/', async (request, response) => {
    response.json((await sessions.find(tokenOf(request))).user);
  });
  router.delete('/', async (request, response) => {
    await sessions.signOut(tokenOf(request));
    response.clearCookie(SESSION_COOKIE, { path: '/' });
    response.status(204).end();
  });
  return router;
}
