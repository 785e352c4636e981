import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { attemptJsonSchema } from '../core/formats'
import { judgedSchema } from '../core/assessment'
import { runJudge } from './run-judge'

const folder = mkdtempSync(join(tmpdir(), 'brachyon-judge-'))
afterAll(() => rmSync(folder, { recursive: true }))

const sample = 'demo/attempts/fan-return.json'
interface Written {
  circuit: unknown
  planted: string[]
  steps: Record<string, unknown>[]
  [more: string]: unknown
}
const written = () => JSON.parse(readFileSync(sample, 'utf8')) as Written
function file(attempt: unknown): string {
  const path = join(folder, `${Math.random().toString(36).slice(2)}.json`)
  writeFileSync(path, typeof attempt === 'string' ? attempt : JSON.stringify(attempt))
  return path
}
const judge = (attempt: unknown, ...args: string[]) => runJudge([file(attempt), ...args])

describe('npm run judge', () => {
  it('judges a written attempt, in words and as codes', () => {
    const { status, stdout, stderr } = runJudge([sample])
    expect([status, stderr]).toEqual([0, ''])
    expect(stdout).toContain('W4 fan return: 1.00 Ω in series')
    expect(stdout).toMatch(/Conclusion: not yet shown \[\d+ %\]\. Right, and not yet shown/)
    expect(stdout).toMatch(/Size by the readings: W4, high resistance, 0\.\d+ to 1\.\d+ Ω/)
    expect(stdout).toMatch(/Total: \d+(\.\d)? of 100/)
    const json = JSON.parse(runJudge([sample, '--format', 'json']).stdout) as Record<string, unknown>
    const { steps, complaint, ...judged } = json
    expect(judgedSchema.safeParse(judged).success).toBe(true)
    expect(steps).toHaveLength(6)
    expect(complaint).toMatchObject([{ part: 'M1' }])
  }, 30_000)

  it('hands on what a shell gives it, and its exit status', () => {
    const run = spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/judge.ts', 'nowhere.json'], {
      encoding: 'utf8',
    })
    expect([run.status, run.stdout]).toEqual([1, ''])
    expect(run.stderr).toMatch(/nowhere\.json: this file cannot be read/)
  }, 30_000)

  it('takes the circuit in the attempt itself, and drafts a complaint where none is said', () => {
    const attempt = written()
    attempt.circuit = JSON.parse(readFileSync('demo/circuits/van-cooling-fan.json', 'utf8'))
    delete attempt.frame
    const { status, stdout } = judge(attempt, '--format', 'json')
    expect(status).toBe(0)
    expect((JSON.parse(stdout) as { complaint: unknown[] }).complaint.length).toBeGreaterThan(0)
  }, 30_000)

  it('takes a real board’s reading, and asks about one that the board does not give', () => {
    const attempt = written()
    const test = attempt.steps[1]!.test as Record<string, unknown>
    test.reading = '6.1 V'
    expect(judge(attempt).stdout).toContain('test 6.1 V')
    expect(judge(attempt).stdout).not.toContain('to be asked')
    test.reading = '0 V'
    expect(judge(attempt).stdout).toMatch(/Reading: to be asked\. Was /)
  }, 60_000)

  it('takes one in which nothing is wrong, concluded as sound', () => {
    const attempt = written()
    const test = attempt.steps.find((step) => 'test' in step)!
    const alarm = {
      ...attempt,
      planted: [],
      frame: {},
      steps: [
        { operate: { state: 'fan on' } },
        test,
        { conclude: { piece: 'sound', kind: 'sound', sure: 80 } },
      ],
    }
    const { status, stdout, stderr } = judge(alarm)
    expect([status, stderr]).toEqual([0, ''])
    expect(stdout).toContain('The circuit is sound, and not yet shown to be')
  }, 30_000)

  it('takes every kind of step and of holding', () => {
    const attempt = written()
    const state = { controls: { S1: 'closed' }, detached: ['F1'] }
    attempt.steps.splice(
      1,
      0,
      { test: { state: 'fan on', instrument: 'clamp', round: ['W4'], predict: '8 A' } },
      { test: { state: 'fan on', instrument: 'fuseVolts', spots: 'F1', predict: '30 mV' } },
      { test: { state, instrument: 'testLamp', inPlaceOf: 'F1', predict: 'bright' } },
      { test: { state, instrument: 'continuity', red: 'F1ta', black: 'F1tb', predict: 'OL' } },
      { test: { state: 'fan on', instrument: 'batteryTester', predict: '10.5 V' } },
      { renew: 'F1' },
    )
    const { status, stderr } = judge(attempt)
    expect([status, stderr]).toEqual([0, ''])
  }, 30_000)

  const wrong: readonly [string, (attempt: Written) => unknown, RegExp][] = [
    ['text that is no JSON', () => '{', /it is not JSON/],
    ['another format', (a) => ({ ...a, format: 'other' }), /format/],
    ['a newer version', (a) => ({ ...a, version: 2 }), /version/],
    ['a circuit that is not there', (a) => ({ ...a, circuit: 'nowhere.json' }), /nowhere\.json/],
    ['a fault that does not fit', (a) => ({ ...a, planted: ['W4=blown'] }), /planted\.0/],
    ['no word of what is planted', (a) => ({ ...a, planted: undefined }), /planted/],
    [
      'a state that is none',
      (a) => ({ ...a, steps: [{ operate: { state: 'flying' } }] }),
      /steps\.0.*no state “flying”.*fan on/,
    ],
    [
      'a point that is none',
      (a) => ({
        ...a,
        steps: [{ test: { state: 'fan on', instrument: 'volts', red: 'Q1a', black: 'B1-' } }],
      }),
      /steps\.0.*Q1a/,
    ],
    [
      'an instrument that is none',
      (a) => ({ ...a, steps: [{ test: { state: 'fan on', instrument: 'crystal' } }] }),
      /steps\.0/,
    ],
    [
      'leads that are nowhere',
      (a) => ({ ...a, steps: [{ test: { state: 'fan on', instrument: 'volts' } }] }),
      /not said where it is held/,
    ],
    [
      'a prediction that cannot be read',
      (a) => ({
        ...a,
        steps: [
          { test: { state: 'fan on', instrument: 'volts', red: 'M1b', black: 'B1-', predict: 'much' } },
        ],
      }),
      /steps\.0.*much/,
    ],
    [
      'an inference before any reading',
      (a) => ({ ...a, steps: [{ infer: { struck: ['F1'] } }] }),
      /steps\.0.*reading/,
    ],
    [
      'a repair that does not fit',
      (a) => ({ ...a, steps: [{ repair: { piece: 'W4', by: 'charge' } }] }),
      /steps\.0/,
    ],
    ['a word too many', (a) => ({ ...a, colour: 'red' }), /colour/],
  ]
  it.each(wrong)('refuses %s, says where, and judges nothing', (_name, change, said) => {
    const { status, stdout, stderr } = judge(change(written()))
    expect([status, stdout]).toEqual([1, ''])
    expect(stderr).toMatch(said)
  })

  it('says how it is called', () => {
    expect(runJudge(['--help']).stdout).toContain('docs/attempt.schema.json')
    expect(runJudge([]).status).toBe(2)
    expect(runJudge([sample, '--format', 'xml']).status).toBe(2)
    expect(runJudge([sample, '--colour']).status).toBe(2)
  })

  it('publishes the schema that its door uses', () => {
    expect(JSON.parse(readFileSync('docs/attempt.schema.json', 'utf8'))).toEqual(
      JSON.parse(JSON.stringify(attemptJsonSchema())),
    )
  })
})
