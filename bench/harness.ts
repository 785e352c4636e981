import { readCircuit } from '../src/core/editing'
import { type Circuit } from '../src/core/circuit'

/**
 * A harness-like circuit of about `nodes` nodes: a battery, a feed with a fuse, and lamp after lamp that branches off it
 * through its own switch and comes back on a shared ground. Every eighth of them has its fuse and plug.
 */
export function harnessCircuit(nodes: number, lamps = Math.max(1, Math.round((nodes - 14) / 6))): Circuit {
  const parts: object[] = [
    { id: 'B1', kind: 'battery' },
    { id: 'W1', kind: 'wire', parameters: { length: 1, section: 16 } },
    { id: 'F1', kind: 'fuse', parameters: { rating: 100, type: 'maxi' } },
    { id: 'G1', kind: 'stud' },
    { id: 'CH1', kind: 'chassis' },
    { id: 'ST1', kind: 'strap' },
  ]
  const paths: object[] = []
  let count = 14
  let last = 'F1.b'
  for (let i = 1; i <= lamps; i++) {
    const n = i + 1
    parts.push(
      { id: `S${i}`, kind: 'switch' },
      { id: `W${2 * n}`, kind: 'wire', parameters: { length: 1 + (i % 7), section: 1 } },
      { id: `L${i}`, kind: 'lamp', parameters: { ratedPower: 5 + 5 * (i % 4) } },
      { id: `W${2 * n + 1}`, kind: 'wire', parameters: { length: 0.5, section: 1 } },
    )
    const own = [`S${i}`, `W${2 * n}`, `L${i}`, `W${2 * n + 1}`]
    count += 6
    const more: string[] = []
    if (count + (lamps - i) * 6 < nodes) {
      parts.push({ id: `X${i}`, kind: 'connector' })
      more.push(`X${i}`)
      count += 1
    }
    const steps = [own[0]!, own[1]!, ...more, own[2]!, own[3]!].map((part) => ({ part }))
    paths.push(
      i === 1
        ? {
            id: 'p1',
            from: 'B1.p',
            to: 'B1.n',
            steps: [
              { part: 'W1' },
              { part: 'F1' },
              ...steps,
              { part: 'G1' },
              { part: 'CH1' },
              { part: 'ST1' },
            ],
          }
        : { id: `p${i}`, from: last, to: i % 2 ? 'G1.e' : 'CH1.a', steps },
    )
    // Feeds run on from plug to plug, as in a loom.
    if (i % 6 === 0) last = 'F1.b'
  }
  const on = Object.fromEntries(Array.from({ length: lamps }, (_, i) => [`S${i + 1}`, 'closed']))
  const half = Object.fromEntries(Object.entries(on).filter((_, i) => i % 2))
  const read = readCircuit({
    format: 'brachyon-circuit',
    version: 2,
    name: `harness of ${count} nodes`,
    parts,
    paths,
    states: [
      { id: 'on', name: 'all on', controls: on },
      { id: 'half', name: 'every other on', controls: half },
      { id: 'off', name: 'all off' },
      { id: 'first-out', name: 'all on, first lamp out', controls: on, detached: ['L1'] },
    ],
  })
  if (!read.ok) throw new Error(JSON.stringify(read.problems))
  return read.value
}
