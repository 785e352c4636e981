import { execFileSync, spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { once } from 'node:events'

/** What the database holds after the cut; nothing where it does not open. */
function contents(command, args) {
  try {
    return JSON.parse(execFileSync(command, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'ignore'] }))
  } catch {
    console.log('power cuts: what one of them left does not open')
    return []
  }
}

/**
 * Pulls the plug on the embedded database: it runs on a disk image of its own, the image is copied while rows are being
 * committed, and the copy is what a cut would have left. Every row that was acknowledged before must be in it.
 */
export async function powerCuts(cuts, random) {
  const folder = mkdtempSync(join(tmpdir(), 'brachyon-cut-'))
  const sh = (command, ...args) => execFileSync(command, args, { stdio: ['ignore', 'pipe', 'pipe'] })
  const disk = join(folder, 'disk')
  const at = join(folder, 'mounted')
  const after = join(folder, 'after')
  mkdirSync(at)
  mkdirSync(after)
  try {
    sh('truncate', '-s', '400M', disk)
    sh('mkfs.ext4', '-q', '-F', disk)
    sh('mount', '-o', 'loop', disk, at)
  } catch {
    rmSync(folder, { recursive: true, force: true })
    console.log('power cuts: skipped, no disk image can be mounted here (needs root and a loop device)')
    return
  }
  const tsx = (file, ...args) => [process.execPath, ['--import', 'tsx', `campaign/${file}`, ...args]]
  let acknowledged = 0
  let lost = 0
  try {
    for (let cut = 0; cut < cuts; cut++) {
      const [node, args] = tsx('writer.ts', join(at, 'data'), String(cut * 1_000_000))
      const writer = spawn(node, args, { stdio: ['ignore', 'pipe', 'inherit'] })
      const rows = []
      let text = ''
      const ready = new Promise((resolve, reject) => {
        writer.stdout.on('data', (chunk) => {
          text += chunk
          const lines = text.split('\n')
          text = lines.pop()
          for (const line of lines) {
            if (line === 'ready') resolve()
            else rows.push(Number(line))
          }
        })
        writer.once('exit', (code) => reject(new Error(`the writer ended with ${code}`)))
      })
      await ready
      await new Promise((resolve) => setTimeout(resolve, 200 + random() * 2500))
      writer.removeAllListeners('exit')
      writer.kill('SIGSTOP')
      // What has been said by now was acknowledged before the cut.
      await new Promise((resolve) => setTimeout(resolve, 20))
      const promised = [...rows]
      sh('cp', '--sparse=always', disk, `${disk}.cut`)
      const gone = once(writer, 'exit')
      writer.kill('SIGKILL')
      writer.kill('SIGCONT')
      await gone
      sh('mount', '-o', 'loop', `${disk}.cut`, after)
      try {
        const [command, list] = tsx('reader.ts', join(after, 'data'))
        const there = new Set(contents(command, list))
        acknowledged += promised.length
        lost += promised.filter((n) => !there.has(n)).length
      } finally {
        sh('umount', after)
        rmSync(`${disk}.cut`)
      }
    }
  } finally {
    sh('umount', at)
    rmSync(folder, { recursive: true, force: true })
  }
  console.log(`power cuts: ${cuts}, acknowledged ${acknowledged}, lost ${lost}`)
  if (lost > 0) process.exitCode = 1
}
