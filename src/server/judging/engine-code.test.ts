import { relative } from 'node:path'
import { expect, it } from 'vitest'
import { engineCode, engineFiles } from './engine-code'

it('takes in all that a judgement depends on, and nothing outside the core', () => {
  const files = engineFiles().map((file) =>
    relative(process.cwd(), file)
      .replace(/\.\w+$/, '')
      .replace('built/', 'src/'),
  )
  for (const file of [
    'faults/catalogue',
    'diagnosis/hypotheses/priors',
    'parts/lamp',
    'solve/mesh-solver',
    'assessment/rubric',
  ])
    expect(files).toContain(`src/core/${file}`)
  expect(files.filter((file) => !file.startsWith('src/core/'))).toEqual([])
  expect(files.filter((file) => /\/(handbook|formats|lab|words)\//.test(file))).toEqual([])
  expect(engineCode).toMatch(/^[0-9a-f]{64}$/)
})
