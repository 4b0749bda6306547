import type {} from 'pino-http';
import type { FailureCode } from '@alfombra/core';
import type { ErrorRequestHandler } from 'express';
import { ConnectionError } from 'sequelize';
import { z } from 'zod';

const STATUS: Record<FailureCode, number> = {
  'bad-input': 422,
  'signed-out': 401,
  'wrong-credentials': 401,
  'too-many-tries': 429,
  'not-allowed': 403,
  'not-found': 404,
  'stale-version': 409,
  'no-room': 507,
  unavailable: 503,
  internal: 500,
};

type Path = (string | number)[];

/** A failure that the caller can do something about, with the place it came from. */
export class HttpFailure extends Error {
  constructor(
    readonly code: FailureCode,
    message: string,
    readonly path?: Path,
    readonly issues?: { path: Path; message: string }[],
  ) {
    super(message);
  }
}

/** As many faults as a form has places for. */
const MOST_ISSUES = 100;

/** Turns Zod's issues into one failure that points at each field. */
export function badInput(error: z.ZodError): HttpFailure {
  const issues = error.issues.slice(0, MOST_ISSUES).map((issue) => ({
    path: issue.path.map((part) => (typeof part === 'symbol' ? String(part) : part)),
    message: issue.message,
  }));
  const first = issues[0];
  return new HttpFailure('bad-input', first?.message ?? 'bad input', first?.path, issues);
}

/** Last handler: every failure leaves as `{ error: { code, message, path? } }`. */
export const failureHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const failure =
    error instanceof HttpFailure
      ? error
      : error instanceof z.ZodError
        ? badInput(error)
        : isBodyError(error)
          ? new HttpFailure('bad-input', error.message)
          : isOutOfReach(error)
            ? new HttpFailure(
                'unavailable',
                'The server cannot reach its database. Try again soon.',
              )
            : null;
  if (!failure || failure.code === 'unavailable') {
    request.log.error({ err: error }, 'unexpected failure');
  }
  const { code, message, path, issues } =
    failure ?? new HttpFailure('internal', 'The server failed. Nothing was changed.');
  response.status(STATUS[code]).json({
    error: {
      code,
      message,
      ...(path && path.length > 0 ? { path } : {}),
      ...(issues ? { issues } : {}),
    },
  });
};

/** MariaDB's own numbers: no room on the disk, a table that is full, both for want of room. */
const NO_ROOM = new Set([1021, 1114, 1030]);

/** Not this request's fault: the database is away, has ended in the middle, or has no room to write. */
function isOutOfReach(error: unknown): boolean {
  if (error instanceof ConnectionError) return true;
  const { fatal, errno } =
    (error as { parent?: { fatal?: boolean; errno?: number } } | null)?.parent ?? {};
  return fatal === true || NO_ROOM.has(errno ?? 0);
}

/** Body-parser's own errors: broken JSON, a body over the limit. */
function isBodyError(error: unknown): error is Error {
  return (
    error instanceof Error &&
    'status' in error &&
    typeof error.status === 'number' &&
    error.status < 500
  );
}
