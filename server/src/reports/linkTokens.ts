import { createHash, createHmac, randomBytes } from 'node:crypto';

/**
 * Tokens of private links. A token is made from the server's key, so that the database alone opens
 * nothing; it is known by its hash, so that capitals and blanks count.
 */
export class LinkTokens {
  constructor(private readonly key: string) {}

  newNonce(): string {
    return randomBytes(16).toString('hex');
  }

  /** 256 bits that nobody guesses; the same for the same report and nonce. */
  token(reportId: string, nonce: string): string {
    return createHmac('sha256', this.key).update(`${reportId}.${nonce}`).digest('base64url');
  }

  hash(token: string): string {
    return createHash('sha256').update(token).digest('hex');
  }
}
