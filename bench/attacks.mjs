import { gzipSync } from 'node:zlib'

/**
 * Somebody who means harm, in a process of their own: node bench/attacks.mjs URL MILLISECONDS [COOKIE]. Prints what they
 * were answered, as JSON. With the cookie of a student it opens streams without end as well.
 */
const [url, milliseconds, cookie] = process.argv.slice(2)
const end = Date.now() + Number(milliseconds)
const over = () => Date.now() >= end

/** What a stranger does, over and over. */
async function attack() {
  const answers = new Map()
  const note = (what, status) => {
    const key = `${what} ${status}`
    answers.set(key, (answers.get(key) ?? 0) + 1)
  }
  const send = (what, path, body, headers = {}) =>
    fetch(`${url}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body,
      signal: AbortSignal.timeout(60_000),
    }).then(
      (answer) => note(what, answer.status),
      () => note(what, 'no answer'),
    )
  const sleep = (ms) => new Promise((done) => setTimeout(done, ms))
  const nested = `${'{"a":['.repeat(4000)}${Array(900_000).fill('1').join()}${']}'.repeat(4000)}`
  const packed = gzipSync(nested)
  const deep = `${'{"a":['.repeat(2000)}1${']}'.repeat(2000)}`
  const long = 'Xq7 pale lanterns '.repeat(11).slice(0, 192)
  const again = async (work, pause) => {
    while (!over()) {
      await work()
      await sleep(pause)
    }
  }
  await Promise.all([
    // Four hundred wrong sign-ins at once, of one account and of many.
    again(
      () =>
        Promise.all(
          Array.from({ length: 400 }, (_, n) =>
            send(
              'sign-in',
              '/session',
              JSON.stringify({ login: n % 2 ? 'orla' : `nobody-${n}`, password: `w${n}` }),
            ),
          ),
        ),
      1000,
    ),
    // Bodies that cost more to read than to send.
    again(() => send('packed', '/session', packed, { 'content-encoding': 'gzip' }), 200),
    again(() => send('deep', '/session', deep), 200),
    // Passwords whose strength takes long to tell.
    again(
      () =>
        Promise.all(
          Array.from({ length: 8 }, () =>
            send('long password', '/set-up', JSON.stringify({ login: 'head', name: 'Head', password: long })),
          ),
        ),
      500,
    ),
  ])
  return [...answers].sort(([a], [b]) => (a < b ? -1 : 1))
}

/** A student who opens streams without end: how many stood at most. */
async function hoardStreams() {
  let most = 0
  while (!over()) {
    const stop = new AbortController()
    const all = await Promise.all(
      Array.from({ length: 250 }, () =>
        fetch(`${url}/api/room/live`, { headers: { cookie }, signal: stop.signal }).then(
          (answer) => answer.status,
          () => 0,
        ),
      ),
    )
    most = Math.max(most, all.filter((status) => status === 200).length)
    stop.abort()
    await new Promise((done) => setTimeout(done, 1000))
  }
  return most
}

const [answers, streams] = await Promise.all([attack(), cookie ? hoardStreams() : 0])
console.log(JSON.stringify({ answers, streams }))
