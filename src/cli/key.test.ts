import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { afterAll, describe, expect, it } from 'vitest'
import { demoText } from '../../test/demo'
import { runKey } from './run-key'
import { referenceEngine, tight } from '../../test/reference'

const folder = mkdtempSync(join(tmpdir(), 'brachyon-key-'))
afterAll(() => rmSync(folder, { recursive: true }))

const demo = 'demo/circuits/sweeper-work-lamp.json'
const key = (...args: string[]) => runKey(args)
function file(name: string, text: string): string {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

describe('npm run key', () => {
  it('hands on what a shell gives it, and its exit status', { tags: ['sweep'] }, () => {
    const run = (...args: string[]) =>
      spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/key.ts', ...args], { encoding: 'utf8' })
    const good = run(demo, '--state', 'on')
    expect([good.status, good.stderr]).toEqual([0, ''])
    expect(good.stdout).toBe(key(demo, '--state', 'on').stdout)
    const bad = run(demo, '--state', 'nowhere')
    expect([bad.status, bad.stdout]).toEqual([2, ''])
    expect(bad.stderr).toMatch(/nowhere/)
  })

  it('prints one state of a faulted circuit beside the healthy one', () => {
    const { status, stdout } = key(demo, '--state', 'Switch closed', '--fault', 'x2=corroded:3')
    expect(status).toBe(0)
    const rows = Papa.parse<Record<string, string>>(stdout.trim(), { header: true }).data
    expect(new Set(rows.map((r) => r.state))).toEqual(new Set(['all', 'Switch closed', 'isolated']))
    const drop = rows.find((r) => r.quantity === 'drop' && r.part === 'X2')!
    expect(Number(drop.healthy)).toBeLessThan(0.02)
    expect(Number(drop.faulted)).toBeGreaterThan(7)
  })

  it('prints JSON that reads back', () => {
    const { stdout } = key(demo, '--format', 'json')
    expect((JSON.parse(stdout) as { healthy: { states: unknown[] } }).healthy.states).toHaveLength(4)
  })

  it('measures with any instrument, and between any two points of the dead circuit', () => {
    const fan = 'demo/circuits/van-cooling-fan.json'
    const { status, stdout } = key(
      fan,
      ...['--state', 'on', '--fault', 'K1.make=burnt:0.5'],
      ...['--measure', 'volts K1.87 B1-', '--measure', 'loadLamp K1.87 B1-', '--measure', 'clamp W3'],
      ...['--pair', 'F1a:G1c'],
    )
    expect(status).toBe(0)
    const rows = Papa.parse<Record<string, string>>(stdout.trim(), { header: true }).data
    expect(rows.map((r) => r.asked)).toEqual([
      'volts K1.87 B1-',
      'loadLamp K1.87 B1-',
      'clamp W3',
      'ohms F1a:G1c',
      'continuity F1a:G1c',
    ])
    expect(Number(rows[0]!.value)).toBeGreaterThan(6)
    expect(Number(rows[0]!.value)).toBeLessThan(10)
    expect(rows[1]!.reading).toBe('dim')
    expect(Number(rows[2]!.value)).toBeGreaterThan(5)
  })

  it('prints a circuit as a netlist that the reference engine solves to the same volts', async () => {
    const { status, stdout } = key(demo, '--state', 'on', '--format', 'spice')
    expect(status).toBe(0)
    const node = /\* node (\d+): L1f/.exec(stdout)![1]!
    const engine = await referenceEngine()
    engine.setNetList(stdout.replace('.op', `${tight}\n.op`))
    const { data } = await engine.runSim()
    const theirs = data.find((d) => d.name === `v(${node})`)!.values[0] as number
    const ours = key(demo, '--state', 'on', '--measure', 'volts L1f B1-', '--format', 'json').stdout
    expect(Math.abs((JSON.parse(ours) as { value: number }[])[0]!.value - theirs)).toBeLessThan(0.006)
  })

  it('tells fuses, clamps, notices and the scan tool beside the points', () => {
    const { stdout } = key('demo/circuits/van-key-off-drain.json', '--state', 'asleep')
    const rows = Papa.parse<Record<string, string>>(stdout.trim(), { header: true }).data
    const of = (quantity: string) => rows.filter((r) => r.quantity === quantity)
    expect(of('fuse amps by table').map((r) => r.part)).toEqual(['F1', 'F2', 'F3', 'F4'])
    expect(of('clamp').map((r) => r.at)).toEqual(['H1a', 'H1b'])
    expect(of('scan tool').map((r) => r.healthy)).toEqual(['none', 'none'])
    expect(of('notice').length).toBeGreaterThan(1)
  })

  it('solves a netlist', () => {
    const { status, stdout } = key(
      file('divider.cir', 'divider\nV1 in 0 12\nR1 in out 1k\n* half\nR2 out\n+ 0 1k\n.op\n.end\n'),
    )
    expect(status).toBe(0)
    expect(stdout).toContain('voltage,out,6,V')
  })

  it.each<[string, () => string[], number, RegExp]>([
    ['a file that is not there', () => ['none.json'], 1, /none\.json: this file cannot be read/],
    ['broken JSON', () => [file('broken.json', '{ "format": ')], 1, /not JSON/],
    [
      'a circuit with a value out of range',
      () => [file('range.json', demoText('sweeper-work-lamp').replace('"rating": 10', '"rating": 400'))],
      1,
      /parts\[2\] \(F1\)\.parameters\.rating: Rating must lie between 1 and 100 A/,
    ],
    [
      'an instrument that there is not',
      () => [demo, '--state', 'on', '--measure', 'wand F1a F1b'],
      2,
      /no instrument “wand”: there are volts/,
    ],
    [
      'one lead too few',
      () => [demo, '--state', 'on', '--measure', 'volts F1a'],
      2,
      /two points are expected/,
    ],
    [
      'a point inside a housing',
      () => ['demo/circuits/van-cooling-fan.json', '--state', 'on', '--measure', 'volts K1.30i B1-'],
      2,
      /no point “K1\.30i”/,
    ],
    [
      'a clamp round a lamp',
      () => [demo, '--state', 'on', '--measure', 'clamp L1'],
      2,
      /L1 is no measuring place/,
    ],
    ['a measurement in no state', () => [demo, '--measure', 'volts F1a F1b'], 2, /need --state/],
    ['a state that is not there', () => [demo, '--state', 'upside down'], 2, /there are Switch closed/],
    [
      'a fault without its segment',
      () => [demo, '--fault', 'G1=open'],
      2,
      /say which segment of G1: eyelet, foot/,
    ],
    [
      'a fault of no kind',
      () => [demo, '--fault', 'G1=rusty'],
      2,
      /there is no kind “rusty”: known are open/,
    ],
    [
      'a severity out of range',
      () => [demo, '--fault', 'X2=corroded:900'],
      2,
      /must lie between 0\.05 and 50 A/,
    ],
    [
      'a netlist with a wrong line',
      () => [file('bad.cir', 't\nV1 1 0 12\nR1 1 0 twelve\nQ1 1 2 3 x\n')],
      1,
      /line 3: “twelve” is no value for R1[\s\S]*line 4: “Q1” is not understood/,
    ],
    [
      'a netlist with sources in a loop',
      () => [file('loop.cir', 't\nV1 1 0 12\nV2 1 0 24\n')],
      1,
      /no equilibrium found/,
    ],
    ['an option that is none', () => [demo, '--colour'], 2, /colour/],
    ['a format that is none', () => [demo, '--format', 'xml'], 2, /csv, json or spice/],
  ])('ends with a message for %s', (_name, args, status, message) => {
    const ended = key(...args())
    expect(ended.stderr).toMatch(message)
    expect(ended.status).toBe(status)
    expect(ended.stdout).toBe('')
  })
})
