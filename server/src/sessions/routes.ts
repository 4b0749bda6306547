import { signInSchema } from '@alfombra/core';
import { parseCookie } from 'cookie';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { HttpFailure } from '../http/failure';
import { bodyOf } from '../http/input';
import type { SessionService, SignedIn } from './service';

export const SESSION_COOKIE = 'alfombra';
const TRIES = 10;
const TRIES_OF_AN_ADDRESS = 60;
const TRIES_OF_AN_ACCOUNT = 20;
const SLOWED_MS = 3000;
const TRIES_WINDOW_MS = 5 * 60_000;

declare module 'express-serve-static-core' {
  interface Locals {
    signedIn?: SignedIn;
  }
}

const tokenOf = (request: Request): string | undefined =>
  parseCookie(request.headers.cookie ?? '')[SESSION_COOKIE];

/** The account that a sign-in is about, whatever else is in the body. */
function accountOf({ body }: Request): string {
  const { email } = (body ?? {}) as { email?: unknown };
  return typeof email === 'string' ? email.toLowerCase() : '';
}

/** Lets only signed-in requests through and notes who they are from. */
export function requireSession(sessions: SessionService): RequestHandler {
  return async (request, response, next) => {
    const signedIn = await sessions.find(tokenOf(request));
    // Written under another name than the cookie's: somebody else has signed in since on that device.
    const writer = request.get('alfombra-writer');
    if (writer !== undefined && writer !== signedIn.user.id) {
      throw new HttpFailure('signed-out', 'Somebody else is signed in. Sign in as who wrote this.');
    }
    response.locals.signedIn = signedIn;
    next();
  };
}

/** Sign in, who am I, sign out. Failed tries are counted by address, by account, and by both. */
export function sessionRoutes(
  sessions: SessionService,
  { secureCookie }: { secureCookie: boolean },
): Router {
  const router = Router();
  const tooMany = (_request: Request, response: Response) => {
    response.status(429).json({
      error: {
        code: 'too-many-tries',
        message: 'Too many tries. Wait five minutes and try again.',
        path: ['password'],
      },
    });
  };
  const failures = {
    windowMs: TRIES_WINDOW_MS,
    skipSuccessfulRequests: true,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
  } as const;
  const address = (request: Request) => ipKeyGenerator(request.ip ?? '');
  const limits: RequestHandler[] = [
    // One account from one place.
    rateLimit({
      ...failures,
      limit: TRIES,
      keyGenerator: (request) => `${address(request)}|${accountOf(request)}`,
      handler: tooMany,
    }),
    // One password tried on many accounts.
    rateLimit({
      ...failures,
      limit: TRIES_OF_AN_ADDRESS,
      keyGenerator: address,
      handler: tooMany,
    }),
    // One account from many places: it becomes slow, but its own person is never shut out.
    rateLimit({
      ...failures,
      limit: TRIES_OF_AN_ACCOUNT,
      keyGenerator: accountOf,
      handler: (_request, _response, next) => {
        setTimeout(next, SLOWED_MS);
      },
    }),
  ];
  router.post('/', ...limits, async (request, response) => {
    const { email, password } = bodyOf(request, signInSchema);
    const { user, token, maxAgeMs } = await sessions.signIn(email, password);
    // Whoever was signed in on this device before is not any more.
    await sessions.signOut(tokenOf(request));
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
