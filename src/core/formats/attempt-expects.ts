import { z } from 'zod'
import type { JudgedAttempt } from '../assessment'
import type { Step, StepOf } from '../attempt'
import { say, type Message } from '../document'

/** What a written attempt says of its own outcome, so that it can be checked. */
export const expectsSchema = z.strictObject({
  /** Readings by their number, from 1, and between what they must lie, in the unit of the instrument. */
  reads: z
    .array(
      z.strictObject({
        test: z.number().int().min(1).max(400),
        from: z.number(),
        to: z.number(),
      }),
    )
    .max(60)
    .default([]),
  /** Codes of what must be said of it, as a verdict or as a reason. */
  says: z.array(z.string().max(80)).max(20).default([]),
  /** Between what the total must lie. */
  mark: z.tuple([z.number().min(0).max(100), z.number().min(0).max(100)]).optional(),
})
export type Expects = z.infer<typeof expectsSchema>

/** All codes of a message and of what it is made of. */
const codesOf = (message: Message): string[] => [
  message.code,
  ...Object.values(message.params ?? {}).flatMap((param) =>
    typeof param === 'object' && 'code' in param ? codesOf(param) : [],
  ),
]

/** What is not as the attempt expects it, in its order; empty where all is. */
export function unmet(
  { reads, says, mark }: Expects,
  steps: readonly Step[],
  { judgements, total }: Pick<JudgedAttempt, 'judgements' | 'total'>,
): Message[] {
  const tests = steps.filter((step): step is StepOf<'test'> => step.type === 'test')
  const off = reads.flatMap(({ test, from, to }) => {
    const reading = tests[test - 1]?.reading
    const value = reading?.value
    if (value !== undefined && value >= from && value <= to) return []
    const unit = reading?.unit ?? ''
    return [
      say('formats.readsOtherwise', {
        test,
        text: { shown: reading?.text ?? '' },
        from: { value: from, unit },
        to: { value: to, unit },
      }),
    ]
  })
  const said = new Set(judgements.flatMap(({ verdict, reason }) => [...codesOf(verdict), ...codesOf(reason)]))
  const unsaid = says.filter((code) => !said.has(code)).map((code) => say('formats.notSaid', { name: code }))
  const wide =
    mark && (total < mark[0] || total > mark[1])
      ? [say('formats.otherMark', { total, from: mark[0], to: mark[1] })]
      : []
  return [...off, ...unsaid, ...wide]
}
