import { say, type Message } from '../../core/document'
import { tell } from '../../contract/words'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type TestAgent from 'supertest/lib/agent'
import { startPostgres } from '../../../test/postgres.mjs'
import { passwords, startSchool, type School } from '../../../test/school'
import {
  circuitListSchema,
  faultSetsSchema,
  historySchema,
  storedCircuitSchema,
  templateListSchema,
  versionListSchema,
  type StoredCircuit,
} from '../../contract'
import { arrangement, emptyCircuit, removeParts, insertItems } from '../../core/editing'
import { type Circuit } from '../../core/circuit'

describe('the library on a PostgreSQL that is embedded', () => suite('embedded'))
describe('the library on a PostgreSQL that is a server', { tags: ['sweep'] }, () => suite('server'))

function suite(kind: 'embedded' | 'server'): void {
  let postgres: ReturnType<typeof startPostgres> | undefined
  let school: School
  let orla: TestAgent
  let tam: TestAgent

  beforeAll(async () => {
    if (kind === 'server') postgres = startPostgres()
    school = await startSchool({ ...(postgres && { url: postgres.url }) })
    orla = await school.signedIn('orla', passwords.orla)
    tam = await school.signedIn('tam', passwords.tam)
  }, 60_000)
  afterAll(async () => {
    await school.close()
    postgres?.stop()
  })

  const list = async () => circuitListSchema.parse((await orla.get('/api/circuits').expect(200)).body)
  const start = async (file = 'sweeper-work-lamp'): Promise<StoredCircuit> =>
    storedCircuitSchema.parse((await orla.post(`/api/templates/${file}`).expect(201)).body)
  const arranged = (circuit: Circuit, label: Message | string) => arrangement(circuit, label)
  const edit = (stored: StoredCircuit, change: object) =>
    orla.post(`/api/circuits/${stored.id}/edits`).send({ revision: stored.revision, edit: change })

  it('offers every demo circuit as a template, and starts a circuit from one', async () => {
    const templates = templateListSchema.parse((await orla.get('/api/templates').expect(200)).body)
    expect(templates.length).toBeGreaterThanOrEqual(17)
    const before = (await list()).length
    expect((await start()).circuit.name).toBe('Work lamp, street sweeper')
    expect(await list()).toHaveLength(before + 1)
    await orla.post('/api/templates/..%2F..%2Fpackage').expect(404)
  })

  it('takes an empty bench, and every step of building on it, with undo to the beginning', async () => {
    const bench = storedCircuitSchema.parse(
      (await orla.post('/api/circuits').send(emptyCircuit('New one')).expect(201)).body,
    )
    const built = insertItems(bench.circuit, 'main', 0, [
      { new: { kind: 'fuse' } },
      { new: { kind: 'lamp' } },
    ])
    if (!built.ok) throw new Error(tell(built.problem))
    const after = storedCircuitSchema.parse(
      (await edit(bench, arranged(built.circuit, say('ui.bench.pasted'))).expect(200)).body,
    )
    expect(after.circuit.parts.map((p) => p.id)).toEqual(['B1', 'F1', 'L1'])
    const undone = storedCircuitSchema.parse(
      (await orla.post(`/api/circuits/${bench.id}/undo`).expect(200)).body,
    )
    expect(undone.circuit).toEqual(bench.circuit)
    const history = historySchema.parse((await orla.get(`/api/circuits/${bench.id}/history`)).body)
    expect(history).toEqual([{ what: say('ui.bench.pasted'), undone: true }])
  })

  it('refuses a structure that does not hang together, and changes nothing', async () => {
    const stored = await start()
    const broken = arranged(
      { ...stored.circuit, paths: stored.circuit.paths.map((p) => ({ ...p, to: 'Z9.a' })) },
      'x',
    )
    expect(tell((await edit(stored, broken).expect(422)).body.message)).toMatch(/no part Z9/)
    expect((await orla.get(`/api/circuits/${stored.id}`)).body.revision).toBe(stored.revision)
  })

  it('keeps versions, and takes one up again as an edit that can be undone', async () => {
    const stored = await start()
    await orla.post(`/api/circuits/${stored.id}/versions`).send({ name: 'as taught' }).expect(204)
    await orla.post(`/api/circuits/${stored.id}/versions`).send({ name: ' ' }).expect(422)
    const renamed = storedCircuitSchema.parse(
      (await edit(stored, { type: 'rename', name: 'Other' }).expect(200)).body,
    )
    const [version] = versionListSchema.parse((await orla.get(`/api/circuits/${stored.id}/versions`)).body)
    const back = storedCircuitSchema.parse(
      (await orla.post(`/api/circuits/${stored.id}/versions/${version!.id}`).expect(200)).body,
    )
    expect(back.circuit).toEqual(stored.circuit)
    const undone = storedCircuitSchema.parse(
      (await orla.post(`/api/circuits/${stored.id}/undo`).expect(200)).body,
    )
    expect(undone.circuit).toEqual(renamed.circuit)
    // A version of another circuit is none of this one's.
    const other = await start('van-washer-pump')
    await orla.post(`/api/circuits/${other.id}/versions/${version!.id}`).expect(404)
  })

  it('files circuits in folders with tags, copies them, and takes them out', async () => {
    const stored = await start()
    await orla
      .put(`/api/circuits/${stored.id}/shelf`)
      .send({ folder: 'Evening', tags: ['lamp', 'lamp', 'bench 7'] })
      .expect(204)
    const copy = storedCircuitSchema.parse(
      (await orla.post(`/api/circuits/${stored.id}/copy`).expect(201)).body,
    )
    const row = (await list()).find((c) => c.id === copy.id)!
    expect(row).toMatchObject({
      folder: 'Evening',
      tags: ['lamp', 'bench 7'],
      name: `${stored.circuit.name}, copy`,
    })
    // In the language of who makes it, whatever the page is shown in.
    await orla.put('/api/language').send({ language: 'de' }).expect(204)
    const german = storedCircuitSchema.parse(
      (await orla.post(`/api/circuits/${stored.id}/copy`).expect(201)).body,
    )
    expect(german.circuit.name).toBe(`${stored.circuit.name}, Kopie`)
    await orla.put('/api/language').send({ language: '' }).expect(204)
    await orla.delete(`/api/circuits/${german.id}`).expect(204)
    await orla.delete(`/api/circuits/${copy.id}`).expect(204)
    expect((await list()).some((c) => c.id === copy.id)).toBe(false)
    await orla.put(`/api/circuits/${copy.id}/shelf`).send({ folder: '', tags: [] }).expect(404)
  })

  it('keeps fault sets by name, only such as fit, and a fault goes when its place goes', async () => {
    const stored = await start()
    const plant = {
      faults: [{ kind: 'corroded', part: 'X2', segment: 'pin', severity: 3 }],
      state: 'on',
      limits: 'flat-0.3',
      complaint: 'Dim.',
    }
    const address = `/api/circuits/${stored.id}/fault-sets`
    await orla.post(address).send({ name: 'Lesson 3', plant }).expect(204)
    await orla
      .post(address)
      .send({ name: 'Lesson 3', plant: { ...plant, complaint: 'Dim in rain.' } })
      .expect(204)
    await orla
      .post(address)
      .send({ name: 'No', plant: { ...plant, faults: [{ kind: 'open', part: 'Q1', segment: 'x' }] } })
      .expect(422)
    const [set, ...more] = faultSetsSchema.parse((await orla.get(address)).body)
    expect(more).toEqual([])
    expect(set).toMatchObject({ name: 'Lesson 3', plant: { complaint: 'Dim in rain.' } })
    await orla.put(`/api/circuits/${stored.id}/plant`).send(plant).expect(204)
    const built = removeParts(stored.circuit, ['X2'])
    if (!built.ok) throw new Error(tell(built.problem))
    const now = storedCircuitSchema.parse(
      (await edit(stored, arranged(built.circuit, 'X2 out')).expect(200)).body,
    )
    expect(now.plant!.faults).toEqual([])
    await orla.delete(`${address}/${set!.id}`).expect(204)
    expect((await orla.get(address)).body).toEqual([])
  })

  it('is closed to students and strangers, door by door', async () => {
    const { id } = await start()
    const doors = [
      ['get', '/api/templates'],
      ['post', '/api/templates/sweeper-work-lamp'],
      ['post', `/api/circuits/${id}/copy`],
      ['put', `/api/circuits/${id}/shelf`],
      ['delete', `/api/circuits/${id}`],
      ['get', `/api/circuits/${id}/versions`],
      ['post', `/api/circuits/${id}/versions`],
      ['get', `/api/circuits/${id}/history`],
      ['get', `/api/circuits/${id}/fault-sets`],
      ['post', `/api/circuits/${id}/fault-sets`],
    ] as const
    for (const [method, path] of doors) {
      expect((await tam[method](path)).status, `${method} ${path}`).toBe(403)
      expect((await school.visitor()[method](path)).status, `${method} ${path}`).toBe(401)
    }
  })
}
