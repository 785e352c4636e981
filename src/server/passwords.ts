import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto'

const length = 32
const cost = { N: 1 << 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 }

const derive = (password: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) =>
    scrypt(password.normalize('NFKC'), salt, length, cost, (error, key) =>
      error ? reject(error) : resolve(key),
    ),
  )

/** scrypt with a salt of its own (RFC 7914), as `salt:key` in hex. */
export async function hashPassword(password: string): Promise<string> {
  const salt = randomBytes(16)
  return `${salt.toString('hex')}:${(await derive(password, salt)).toString('hex')}`
}

export async function checkPassword(password: string, stored: string): Promise<boolean> {
  const [salt, key] = stored.split(':').map((part) => Buffer.from(part, 'hex'))
  if (!salt || !key || key.length !== length) return false
  return timingSafeEqual(await derive(password, salt), key)
}
