import type { Response } from 'express';
import type { SignedIn } from '../sessions/service';
import { HttpFailure } from './failure';

/** The signed-in person behind a request that has passed `requireSession`. */
export function whoIs(response: Response): SignedIn {
  const { signedIn } = response.locals;
  if (!signedIn) throw new HttpFailure('signed-out', 'Sign in first.');
  return signedIn;
}
