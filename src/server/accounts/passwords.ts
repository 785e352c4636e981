import { randomBytes, scryptSync, timingSafeEqual } from 'node:crypto'

const length = 32
const cost = { N: 1 << 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }

/** Takes about a tenth of a second of a core: called in a thread of its own (`password-threads`), never beside answers. */
const derive = (password: string, salt: Buffer): Buffer =>
  scryptSync(password.normalize('NFKC'), salt, length, cost)

/** scrypt with a salt of its own (RFC 7914), as `salt:key` in hex. */
export function hashPasswordNow(password: string): string {
  const salt = randomBytes(16)
  return `${salt.toString('hex')}:${derive(password, salt).toString('hex')}`
}

export function checkPasswordNow(password: string, stored: string): boolean {
  const [salt, key] = stored.split(':').map((part) => Buffer.from(part, 'hex'))
  if (!salt || !key || key.length !== length) return false
  return timingSafeEqual(derive(password, salt), key)
}
