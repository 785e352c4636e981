import { createHash, randomBytes } from 'node:crypto'

/** Something that nobody guesses, for a cookie: 256 bits. */
export const newToken = (): string => randomBytes(32).toString('base64url')

/** What is stored of a token: whoever reads the database cannot sign in with it. */
export const hashToken = (token: string): string => createHash('sha256').update(token).digest('hex')

/** The value of a cookie in a request's header. */
export const cookieOf = (header: string | undefined, name: string): string | undefined =>
  header
    ?.split(';')
    .map((pair) => pair.trim())
    .find((pair) => pair.startsWith(`${name}=`))
    ?.slice(name.length + 1)
