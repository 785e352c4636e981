import { expect, type Page } from '@playwright/test'
import { choose, press, takeInstrument } from './choose'
import type { Fault } from '../src/core/faults'
import type { Frame } from '../src/core/attempt'
import { part, people } from './story'

const base = 'http://127.0.0.1:4187'

/** A student whom no other story gives work to, signed in on this page. */
export async function freshStudent(page: Page, login: string): Promise<string> {
  const teacher = await page.context().browser()!.newContext({ baseURL: base })
  await teacher.request.post('/api/session', { data: people.orla })
  const first = 'quartz-river-lamp-71'
  const made = await teacher.request.post('/api/students', {
    data: { login, name: `Story ${login}`, password: first },
  })
  expect(made.ok()).toBe(true)
  const { id } = (await made.json()) as { id: string }
  await teacher.close()
  const password = 'copper-meadow-torch-9'
  await page.request.post('/api/session', { data: { login, password: first } })
  const changed = await page.request.put('/api/password', { data: { current: first, password } })
  expect(changed.ok()).toBe(true)
  return id
}

export interface Handing {
  circuit: RegExp
  faults: readonly Fault[]
  /** By sign-in name. */
  student: string
  complaint: string
  frame?: Partial<Frame>
}

/** Hands a work order out by the instructor’s own way in, without the clicks that other stories tell. */
export async function handOut({ circuit, faults, student, complaint, frame = {} }: Handing): Promise<string> {
  let cookie = ''
  const call = async <T>(path: string, body?: object): Promise<T> => {
    const answer = await fetch(`${base}/api${path}`, {
      method: body ? 'POST' : 'GET',
      headers: { 'content-type': 'application/json', cookie },
      ...(body && { body: JSON.stringify(body) }),
    })
    expect(answer.ok, path).toBe(true)
    cookie = answer.headers.get('set-cookie')?.split(';')[0] ?? cookie
    return (await answer.json()) as T
  }
  await call('/session', people.orla)
  const circuits = await call<{ id: string; name: string }[]>('/circuits')
  const students = await call<{ id: string; login: string }[]>('/students')
  const made = await call<{ id: string }>('/orders', {
    circuit: circuits.find(({ name }) => circuit.test(name))!.id,
    students: students
      .filter(
        ({ login }) => login === (student in people ? people[student as keyof typeof people].login : student),
      )
      .map(({ id }) => id),
    complaint,
    faults,
    frame,
  })
  return made.id
}

export async function goToDesk(page: Page, id: string): Promise<void> {
  await page.goto(`/desk/${id}`)
  await expect(page.getByRole('list', { name: 'Order of the work' })).toBeVisible()
}

export interface Measuring {
  device?: string
  function?: string
  held?: 'leads' | 'series' | 'inPlaceOf' | 'at' | 'spots'
  red?: string
  black?: string
  round?: string
  at?: string
  set?: Record<string, string>
  predict?: string
  /** A word of the scale, where it is told in one. */
  word?: string
  shows: RegExp
  /** Signs beside the number. */
  says?: RegExp
  marks?: readonly (readonly [part: string, key: string])[]
}

/**
 * One whole test at the Desk as a person makes it; answers what the display showed.
 * @param infers it is asked what the reading tells: not after a repair
 */
export async function take(page: Page, m: Measuring, infers = true): Promise<string> {
  if (m.device) await takeInstrument(page, m.device)
  const functions = page.getByRole('group', { name: 'Function' })
  if (m.function && (await functions.isVisible()))
    await functions.getByRole('button', { name: m.function, exact: true }).click()
  for (const [label, value] of Object.entries(m.set ?? {}))
    await choose(page.getByRole('combobox', { name: label, exact: true }), value)
  const held = page.getByRole('combobox', { name: 'Held', exact: true })
  if (m.held && (await held.isVisible())) await choose(held, m.held)
  if (m.red) await page.getByLabel('Red lead').fill(m.red)
  if (m.black) await page.getByLabel('Black lead').fill(m.black)
  if (m.round) await page.getByLabel('Jaws round').fill(m.round)
  if (m.at) await choose(page.getByRole('combobox', { name: 'At', exact: true }), m.at)
  if (m.word) await press(page.getByRole('radio', { name: m.word, exact: true }))
  if (m.predict) await page.getByRole('textbox', { name: 'Prediction', exact: true }).fill(m.predict)
  await page.getByRole('button', { name: 'Measure' }).click()
  const display = page.getByTestId('display')
  await expect(display).toHaveText(m.shows)
  if (m.says) await expect(page.getByRole('region', { name: 'Meter' })).toContainText(m.says)
  const shown = (await display.textContent()) ?? ''
  if (infers) await tells(page, m.marks)
  return shown
}

export async function tells(page: Page, marks: Measuring['marks'] = []): Promise<void> {
  for (const [id, key] of marks) await part(page, id).first().press(key)
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'What does it tell you?' })).toBeHidden()
}

export async function conclude(page: Page, piece: string, kind: string): Promise<void> {
  const form = page.getByRole('form', { name: 'Conclusion' })
  if (!(await form.isVisible())) await page.locator('.concluding .title').click()
  await choose(form.getByRole('combobox', { name: 'Piece', exact: true }), piece)
  await choose(form.getByRole('combobox', { name: 'How it failed', exact: true }), kind)
  await form.getByRole('button', { name: 'Conclude' }).click()
  await expect(page.getByRole('form', { name: 'Repair' })).toBeVisible()
}

export async function repair(page: Page, piece: string, way: string): Promise<void> {
  const form = page.getByRole('form', { name: 'Repair' })
  await choose(form.getByRole('combobox', { name: 'Piece', exact: true }), piece)
  await choose(form.getByRole('combobox', { name: 'How', exact: true }), way)
  await form.getByRole('button', { name: 'Repair' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'Repaired' }).first()).toBeVisible()
}

/** Amps or volts of a display, as a number. */
export function numberIn(text: string): number {
  const [, digits = '', prefix = ''] =
    /(-?[\d.]+)\s*(m|µ|k)?/.exec(text.replace(/[\u00a0\u2212]/g, (c) => (c === '−' ? '-' : ' '))) ?? []
  return Number(digits) * ({ m: 1e-3, µ: 1e-6, k: 1e3 }[prefix] ?? 1)
}
