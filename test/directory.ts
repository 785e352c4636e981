import { createHash, createSign, generateKeyPairSync, randomUUID } from 'node:crypto'
import { once } from 'node:events'
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'

/** Who signs in at the stand-in next, as its token says it. */
export type Claims = Readonly<Record<string, unknown>> & { readonly sub: string }

const encode = (value: object): string => Buffer.from(JSON.stringify(value)).toString('base64url')

/**
 * A school's directory for tests: a small OpenID Connect provider (Core 1.0, Discovery 1.0, PKCE as of RFC 7636) on
 * loopback. Whoever comes is signed in at once as `next`; where that is undefined, the person says no.
 */
export async function startDirectory(client: { readonly id: string; readonly secret: string }) {
  const { privateKey, publicKey } = generateKeyPairSync('rsa', { modulusLength: 2048 })
  const codes = new Map<string, { nonce: string; challenge: string; redirect: string; claims: Claims }>()
  const provider = {
    next: undefined as Claims | undefined,
    /** Changes what is about to be sent as a token: for what a forger would do. */
    forge: (token: Record<string, unknown>): Record<string, unknown> => token,
    url: '',
    close: (): void => undefined,
  }

  const tokenOf = (claims: Claims, nonce: string): string => {
    const now = Math.floor(Date.now() / 1000)
    const body = provider.forge({
      ...claims,
      iss: provider.url,
      aud: client.id,
      iat: now,
      exp: now + 300,
      nonce,
    })
    const head = `${encode({ alg: 'RS256', kid: 'one', typ: 'JWT' })}.${encode(body)}`
    return `${head}.${createSign('RSA-SHA256').update(head).sign(privateKey).toString('base64url')}`
  }
  const json = (res: ServerResponse, status: number, body: object) =>
    res.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body))

  async function exchange(req: IncomingMessage, res: ServerResponse): Promise<void> {
    let text = ''
    for await (const chunk of req) text += String(chunk)
    const form = new URLSearchParams(text)
    const [id, secret] = req.headers.authorization
      ? Buffer.from(req.headers.authorization.slice(6), 'base64')
          .toString()
          .split(':')
          .map(decodeURIComponent)
      : [form.get('client_id'), form.get('client_secret')]
    const code = codes.get(form.get('code') ?? '')
    codes.delete(form.get('code') ?? '')
    const challenge = createHash('sha256')
      .update(form.get('code_verifier') ?? '')
      .digest('base64url')
    const fits = code?.challenge === challenge && code.redirect === form.get('redirect_uri')
    if (id !== client.id || secret !== client.secret || !code || !fits) {
      json(res, 400, { error: 'invalid_grant' })
      return
    }
    json(res, 200, {
      access_token: randomUUID(),
      token_type: 'Bearer',
      expires_in: 300,
      id_token: tokenOf(code.claims, code.nonce),
    })
  }

  const server = createServer((req, res) => {
    const { pathname, searchParams: asked } = new URL(req.url ?? '/', provider.url)
    switch (pathname) {
      case '/.well-known/openid-configuration':
        return json(res, 200, {
          issuer: provider.url,
          authorization_endpoint: `${provider.url}/authorize`,
          token_endpoint: `${provider.url}/token`,
          jwks_uri: `${provider.url}/keys`,
          response_types_supported: ['code'],
          subject_types_supported: ['public'],
          id_token_signing_alg_values_supported: ['RS256'],
        })
      case '/keys':
        return json(res, 200, {
          keys: [{ ...publicKey.export({ format: 'jwk' }), kid: 'one', alg: 'RS256', use: 'sig' }],
        })
      case '/authorize': {
        const back = new URL(asked.get('redirect_uri')!)
        back.searchParams.set('state', asked.get('state')!)
        if (!provider.next) back.searchParams.set('error', 'access_denied')
        else {
          const code = randomUUID()
          codes.set(code, {
            nonce: asked.get('nonce')!,
            challenge: asked.get('code_challenge')!,
            redirect: asked.get('redirect_uri')!,
            claims: provider.next,
          })
          back.searchParams.set('code', code)
        }
        return res.writeHead(302, { location: back.href }).end()
      }
      case '/token':
        return void exchange(req, res)
      default:
        return json(res, 404, {})
    }
  }).listen(0, '127.0.0.1')
  await once(server, 'listening')
  provider.url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  provider.close = () => {
    server.closeAllConnections()
    server.close()
  }
  return provider
}
