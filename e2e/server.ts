import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'

export interface Running {
  readonly url: string
  /** Ends the process with no chance to tidy up; the machine and its disk go on. */
  kill: () => Promise<void>
}

/** A Brachyon of the test's own on `port`, with its data in `folder`; of the demo school as new, or as its options say. */
export async function startServer(
  port: number,
  folder: string,
  demo: boolean | readonly string[],
): Promise<Running> {
  const args = typeof demo === 'boolean' ? (demo ? ['--demo', '--new'] : []) : demo
  const child: ChildProcess = spawn(process.execPath, ['built/server/main.js', ...args], {
    env: { ...process.env, PORT: String(port), BRACHYON_DATA: folder },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  // A test that failed does not come to its own end: its server would keep the port from the next try.
  process.once('exit', () => child.kill('SIGKILL'))
  const url = `http://127.0.0.1:${port}`
  await new Promise<void>((resolve, reject) => {
    child.stdout?.on('data', (text: Buffer) => text.toString().includes(url) && resolve())
    child.once('exit', (code) => reject(new Error(`server ended with ${code}`)))
  })
  return {
    url,
    kill: async () => {
      child.removeAllListeners('exit')
      const gone = once(child, 'exit')
      child.kill('SIGKILL')
      await gone
    },
  }
}
