import { createHash, randomBytes } from 'node:crypto';
import type { User } from '@alfombra/core';
import { Op, QueryTypes } from 'sequelize';
import type { Models } from '../models';
import { HttpFailure } from '../http/failure';
import { hashPassword, passwordMatches } from './password';

const SESSION_DAYS = 30;
const DAY_MS = 86_400_000;

const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex');

export interface SignedIn {
  user: User;
  companyId: string;
}

/** A hash that no password has, so that an unknown address takes as long as a wrong password. */
const nobody = hashPassword(randomBytes(24).toString('hex'));

export class SessionService {
  constructor(
    private readonly models: Models,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** @throws HttpFailure `wrong-credentials`, which does not say which of the two is wrong */
  async signIn(
    email: string,
    password: string,
  ): Promise<SignedIn & { token: string; maxAgeMs: number }> {
    const row = await this.models.users.findOne({ where: { email: email.toLowerCase() } });
    const good = await passwordMatches(password, row?.passwordHash ?? (await nobody));
    if (!row || !good) {
      throw new HttpFailure(
        'wrong-credentials',
        'The e-mail address or the password is not right.',
        ['password'],
      );
    }
    const token = randomBytes(32).toString('base64url');
    await this.models.sessions.create({
      tokenHash: hashToken(token),
      userId: row.id,
      expiresAt: new Date(this.now().getTime() + SESSION_DAYS * DAY_MS),
    });
    await this.models.sessions.destroy({ where: { expiresAt: { [Op.lt]: this.now() } } });
    return { ...signedIn(row), token, maxAgeMs: SESSION_DAYS * DAY_MS };
  }

  /** Who a token belongs to. @throws HttpFailure `signed-out` when it is missing or has expired */
  async find(token: string | undefined): Promise<SignedIn> {
    // Asked before every answer: one question to the database, not two.
    const [row] = token
      ? await this.models.sequelize.query<User & { companyId: string }>(
          `SELECT users.id, users.name, users.email, users.role, users.licence,
             users.company_id AS companyId
           FROM sessions JOIN users ON users.id = sessions.user_id
           WHERE sessions.token_hash = :hash AND sessions.expires_at > :now`,
          {
            replacements: { hash: hashToken(token), now: this.now() },
            type: QueryTypes.SELECT,
          },
        )
      : [];
    if (!row)
      throw new HttpFailure(
        'signed-out',
        'Sign in again; what you entered is kept on this device.',
      );
    return signedIn(row);
  }

  async signOut(token: string | undefined): Promise<void> {
    if (token) await this.models.sessions.destroy({ where: { tokenHash: hashToken(token) } });
  }
}

function signedIn(row: User & { companyId: string }): SignedIn {
  const { id, name, email, role, licence } = row;
  return { user: { id, name, email, role, licence }, companyId: row.companyId };
}
