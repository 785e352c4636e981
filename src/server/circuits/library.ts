import { readdirSync, readFileSync } from 'node:fs'
import { say, verbatim, type Message } from '../../core/document'
import {
  plantDoor,
  type FaultSets,
  type Plant,
  type TemplateList,
  type User,
  type VersionList,
} from '../../contract'
import { readCircuit, type Edit } from '../../core/editing'
import { type Circuit } from '../../core/circuit'
import { addCircuit, checkFaults, editCircuit, loadCircuit, shelveLike } from './circuits'
import type { Database, Queries } from '../database'
import { tellFor } from '../words'
import { HttpError } from '../http/http-error'

const folder = new URL('../../../demo/circuits/', import.meta.url)

/** Circuits that come with the application, read once: they are files and do not change while it runs. */
let kept: ReadonlyMap<string, Circuit> | undefined
function templates(): ReadonlyMap<string, Circuit> {
  kept ??= new Map(
    readdirSync(folder)
      .filter((file) => file.endsWith('.json'))
      .sort()
      .flatMap((file) => {
        const read = readCircuit(JSON.parse(readFileSync(new URL(file, folder), 'utf8')))
        return read.ok ? [[file.replace('.json', ''), read.value] as const] : []
      }),
  )
  return kept
}

/** The circuits that come with the application. */
export const templateCircuits = (): readonly Circuit[] => [...templates().values()]

export const listTemplates = (): TemplateList =>
  [...templates()].map(([file, { name, vehicle, note, parts }]) => ({
    file,
    name,
    vehicle,
    note,
    parts: parts.length,
  }))

export async function startFrom(db: Queries, file: string, owner: string | undefined): Promise<string> {
  const circuit = templates().get(file)
  if (!circuit) throw new HttpError(404, say('school.noTemplate'))
  return addCircuit(db, circuit, owner)
}

/** A copy of a circuit beside it, in the same folder; the plant stays with the original. */
export async function copyCircuit(
  db: Queries,
  id: string,
  owner: Pick<User, 'id' | 'language'>,
): Promise<string> {
  const { circuit } = await loadCircuit(db, id)
  const copy = tellFor(owner)(say('school.copyOf', { name: circuit.name }))
  const made = await addCircuit(db, { ...circuit, name: copy.slice(0, 120) }, owner.id)
  await shelveLike(db, made, id)
  return made
}

export const listVersions = (db: Queries, circuit: string): Promise<VersionList> =>
  db.query(
    `select id, name, to_char(created_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as created
     from circuit_versions where circuit_id = $1 order by created_at desc`,
    [circuit],
  )

export async function keepVersion(db: Queries, circuit: string, name: string): Promise<void> {
  await db.query(
    `insert into circuit_versions (circuit_id, name, document) select id, $2, document from circuits where id = $1`,
    [circuit, name],
  )
}

/** Takes a version up again: an edit like any other, which can be undone. */
export async function takeUp(database: Database, circuit: string, version: string) {
  const [row] = await database.query<{ name: string; document: unknown }>(
    'select name, document from circuit_versions where id = $1 and circuit_id = $2',
    [version, circuit],
  )
  if (!row) throw new HttpError(404, say('school.noVersion'))
  const read = readCircuit(row.document, { unfinished: true })
  if (!read.ok) throw new HttpError(422, say('school.unreadable'), read.problems)
  const { revision } = await loadCircuit(database, circuit)
  return editCircuit(database, circuit, revision, {
    type: 'whole',
    label: say('school.takenUpAgain', { name: row.name }),
    circuit: read.value,
  })
}

export async function historyOf(db: Queries, circuit: string): Promise<{ what: Message; undone: boolean }[]> {
  const rows = await db.query<{ undone: boolean; edit: Done }>(
    `select undone, edit - 'circuit' - 'parts' - 'paths' - 'bundles' - 'states' as edit
     from circuit_edits where circuit_id = $1 order by position desc limit 200`,
    [circuit],
  )
  return rows.map(({ undone, edit }) => ({ undone, what: done(edit) }))
}

/** An edit without the circuit in it. */
interface Done {
  readonly type: Edit['type']
  readonly part?: string
  readonly name?: string
  readonly value?: number | string
  readonly label?: Message | string
}

function done({ type, part = '', name = '', value = '', label }: Done): Message {
  switch (type) {
    case 'setParameter':
      return say('circuit.did.set', { part, name, value })
    case 'namePart':
      return say('circuit.did.namedPart', { part, name })
    case 'rename':
      return say('circuit.did.named', { name })
    case 'setTemperature':
      return say('circuit.did.temperature', { celsius: { value: Number(value), unit: '°C' } })
    default:
      if (!label) return say('circuit.did.described')
      return typeof label === 'string' ? verbatim(label) : label
  }
}

/** Sets that can be read; one of a fault that is gone is left out. */
export async function listFaultSets(db: Queries, circuit: string): Promise<FaultSets> {
  const rows = await db.query<{ id: string; name: string; plant: unknown }>(
    'select id, name, plant from fault_sets where circuit_id = $1 order by name',
    [circuit],
  )
  return rows.flatMap(({ id, name, plant }) => {
    const read = plantDoor.read(plant)
    return read.ok ? [{ id, name, plant: read.value }] : []
  })
}

/** Keeps a plant under a name; one of this name is replaced. */
export async function keepFaultSet(db: Queries, circuit: string, name: string, plant: Plant): Promise<void> {
  checkFaults((await loadCircuit(db, circuit)).circuit, plant.faults)
  await db.query(
    `insert into fault_sets (circuit_id, name, plant) values ($1, $2, $3)
     on conflict (circuit_id, name) do update set plant = excluded.plant`,
    [circuit, name, JSON.stringify(plantDoor.write(plant))],
  )
}

export async function removeFaultSet(db: Queries, circuit: string, id: string): Promise<void> {
  await db.query('delete from fault_sets where circuit_id = $1 and id = $2', [circuit, id])
}
