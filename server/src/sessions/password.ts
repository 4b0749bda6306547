import { randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';

const COST: ScryptOptions = { N: 16_384, r: 8, p: 1 };
const KEY_BYTES = 32;

function derive(password: string, salt: Buffer): Promise<Buffer> {
  return new Promise((resolve, reject) =>
    scrypt(password.normalize('NFKC'), salt, KEY_BYTES, COST, (error, key) =>
      error ? reject(error) : resolve(key),
    ),
  );
}

/** `salt:key` in base64, by scrypt. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16);
  const key = await derive(password, salt);
  return `${salt.toString('base64')}:${key.toString('base64')}`;
}

/** True when the password is the one that was hashed; takes the same time either way. */
export async function passwordMatches(password: string, hash: string): Promise<boolean> {
  const [salt, key] = hash.split(':').map((part) => Buffer.from(part, 'base64'));
  if (!salt || !key) return false;
  const tried = await derive(password, salt);
  return tried.length === key.length && timingSafeEqual(tried, key);
}
