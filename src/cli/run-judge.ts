import { existsSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { aspectNames, judgeAttempt, type JudgedAttempt } from '../core/assessment'
import { heldIn } from '../core/assessment/facts'
import { meterOfFrame, shownOf } from '../core/attempt'
import { readCircuitText } from '../core/editing'
import { type Circuit } from '../core/circuit'
import { Predictor } from '../core/diagnosis'
import type { Read } from '../core/document'
import { describeFault } from '../core/faults'
import { readAttempt, unmet, type WorkedAttempt } from '../core/formats'
import { instrumentOf } from '../core/instruments'
import { formatPlain } from '../core/quantity'
import { tell as say } from '../core/words'
import { Ended, list, textOf } from './ended'

const help = `npm run judge -- ATTEMPT.json [--format text|json]

Runs a written attempt on the virtual bench and judges it.
  ATTEMPT.json   an attempt as docs/attempt.schema.json describes it; its circuit is a path, from here or from
                 where the attempt lies, or stands in it
  --format F     text (the default), or json: verdicts as codes with their parameters and shares, doubt on every
                 piece after every step, the marks, the total, a model path with its minutes
  --help         this text

An attempt may say what it expects: between what its readings lie, what is said of it, its mark.

Exit status: 0 judged; 1 the attempt cannot be taken in or done, or is not as it expects; 2 the call is wrong.`

function options(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        format: { type: 'string', default: 'text' },
        help: { type: 'boolean', default: false },
      },
    })
  } catch (error) {
    throw new Ended(2, error instanceof Error ? error.message : String(error))
  }
}

function worked(file: string): WorkedAttempt {
  let input: unknown
  try {
    input = JSON.parse(textOf(file))
  } catch (error) {
    if (error instanceof Ended) throw error
    throw new Ended(1, `${file}: it is not JSON: ${error instanceof Error ? error.message : String(error)}`)
  }
  const circuitOf = (path: string): Read<Circuit> => {
    const beside = resolve(dirname(file), path)
    return readCircuitText(textOf(existsSync(path) ? path : beside))
  }
  const read = readAttempt(input, circuitOf)
  if (!read.ok) throw new Ended(1, list(file, read.problems))
  return read.value
}

function asText({ order, steps }: WorkedAttempt, judged: JudgedAttempt): string {
  const lines = [
    `${order.circuit.name}: ${order.planted.map((f) => say(describeFault(order.circuit, f))).join('; ')}`,
  ]
  steps.forEach((step, i) => {
    const shown = step.type === 'test' ? ` ${say(shownOf(step.reading))}` : ''
    lines.push(`${i + 1}. ${step.type}${shown} (${judged.suspects[i]!.length} suspect)`)
    for (const j of judged.judgements.filter((one) => one.step === i)) {
      const share = j.share === undefined ? '' : ` [${Math.round(j.share * 100)} %]`
      lines.push(`   ${say(aspectNames[j.aspect])}: ${say(j.verdict)}${share}. ${say(j.reason)}`)
    }
  })
  for (const one of judged.contradictions) lines.push(say(one))
  for (const { piece, title, from, to, unit } of judged.sizes)
    lines.push(
      `Size by the readings: ${piece}, ${say(title).toLowerCase()}, ${formatPlain(from)} to ${formatPlain(to)} ${unit}`,
    )
  lines.push(
    'A short way: ' +
      (judged.path
        .map(
          (p) =>
            `${say(instrumentOf(p.instrument).title)} ${say(heldIn(p.held))}, ${p.state}: ${say(p.reading)} (${p.minutes} min)`,
        )
        .join('; ') || 'none'),
  )
  for (const { aspect, points, of, less = [] } of judged.marks) {
    lines.push(`${say(aspectNames[aspect])}: ${points} of ${of}`)
    for (const why of less) lines.push(`  ${say(why)}`)
  }
  const capped = judged.uncapped === undefined ? '' : ` (capped from ${judged.uncapped})`
  lines.push(`Total: ${judged.total} of ${judged.of}${capped}`)
  return lines.join('\n').replace(/\u00a0/g, ' ')
}

function main(args: readonly string[]): string {
  const { values, positionals } = options(args)
  if (values.help) return help
  const [file, ...more] = positionals
  if (!file || more.length) throw new Ended(2, `one attempt is expected\n\n${help}`)
  if (values.format !== 'text' && values.format !== 'json')
    throw new Ended(2, `--format is text or json, not “${values.format}”`)
  const attempt = worked(file)
  const { circuit, planted, frame, spares } = attempt.order
  const predictor = new Predictor(circuit, meterOfFrame(frame), planted, frame.faults, spares)
  const judged = judgeAttempt(predictor, attempt.order, attempt.steps, attempt.rubric)
  const off = attempt.expects ? unmet(attempt.expects, attempt.steps, judged) : []
  if (off.length) throw new Ended(1, off.map((one) => `${file}: ${say(one)}`).join('\n'))
  if (values.format === 'text') return asText(attempt, judged)
  return JSON.stringify({ ...judged, steps: attempt.steps, complaint: frame.complaint }, null, 2)
}

/** The whole of the command, without a process. */
export function runJudge(args: readonly string[]): { status: 0 | 1 | 2; stdout: string; stderr: string } {
  try {
    return { status: 0, stdout: `${main(args)}\n`, stderr: '' }
  } catch (error) {
    if (!(error instanceof Ended)) throw error
    return { status: error.status, stdout: '', stderr: `${error.message}\n` }
  }
}
