import { say } from '../../core/document'
import {
  mostCircuits,
  plantDoor,
  type CircuitList,
  type Plant,
  type Shelf,
  type StoredCircuit,
} from '../../contract'
import { applyEdit, editDoor, readCircuit, type Edit } from '../../core/editing'
import { type Circuit } from '../../core/circuit'
import { checkFault, type Fault } from '../../core/faults'
import type { Database, Queries } from '../database'
import { once, type KeyedAct } from '../http/once'
import { HttpError } from '../http/http-error'

interface Row {
  id: string
  document: unknown
  revision: number
  plant: unknown
}

/** What is stored went through the same door as an import; going through it again upgrades older documents. */
function documentOf(row: { document: unknown }): Circuit {
  const read = readCircuit(row.document, { unfinished: true })
  if (!read.ok) throw new HttpError(422, say('school.unreadable'), read.problems)
  return read.value
}

export async function listCircuits(db: Queries): Promise<CircuitList> {
  return db.query(
    `select id, folder, tags, document->>'name' as name, coalesce(document->>'vehicle', '') as vehicle,
       jsonb_array_length(document->'parts') as parts,
       to_char(updated_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as updated
     from circuits order by folder, updated_at desc, document->>'name' limit ${mostCircuits}`,
  )
}

/** Takes a document in through the one door; a malformed one changes nothing. */
export async function addCircuit(db: Queries, input: unknown, owner: string | undefined): Promise<string> {
  const read = readCircuit(input, { unfinished: true })
  if (!read.ok) throw new HttpError(422, say('school.notTakenIn'), read.problems)
  const [{ count } = { count: 0 }] = await db.query<{ count: number }>(
    'select count(*)::int as count from circuits',
  )
  if (count >= mostCircuits) throw new HttpError(409, say('school.tooManyCircuits', { most: mostCircuits }))
  const [row] = await db.query<{ id: string }>(
    'insert into circuits (owner_id, document) values ($1, $2) returning id',
    [owner ?? null, JSON.stringify(read.value)],
  )
  return row!.id
}

async function rowOf(db: Queries, id: string, lock = false): Promise<Row> {
  const [row] = await db.query<Row>(
    `select id, document, revision, plant from circuits where id = $1${lock ? ' for update' : ''}`,
    [id],
  )
  if (!row) throw new HttpError(404, say('school.noCircuit'))
  return row
}

export async function loadCircuit(db: Queries, id: string): Promise<StoredCircuit> {
  const row = await rowOf(db, id)
  const circuit = documentOf(row)
  const [history] = await db.query<{ undo: boolean; redo: boolean }>(
    `select coalesce(bool_or(not undone), false) as undo, coalesce(bool_or(undone), false) as redo
     from circuit_edits where circuit_id = $1`,
    [id],
  )
  return {
    id,
    revision: row.revision,
    circuit,
    // Building goes on after planting: a fault whose place is gone is gone too.
    plant: plantOf(row.plant, circuit),
    undo: history!.undo,
    redo: history!.redo,
  }
}

/** What cannot be read any more is nothing that is planted. */
function plantOf(stored: unknown, circuit: Circuit): Plant | null {
  const read = stored ? plantDoor.read(stored) : undefined
  if (!read?.ok) return null
  const faults = read.value.faults.filter((fault) => checkFault(circuit, fault) === undefined)
  return { ...read.value, faults }
}

async function store(db: Queries, id: string, circuit: Circuit): Promise<void> {
  await db.query(
    'update circuits set document = $2, revision = revision + 1, updated_at = now() where id = $1',
    [id, JSON.stringify(circuit)],
  )
}

/** Edits of a circuit that can be taken back; older ones are forgotten. */
export const mostUndone = 300

/** Applies an edit to the revision that the person saw, and keeps its inverse for undo. */
export async function editCircuit(
  database: Database,
  id: string,
  revision: number,
  edit: Edit,
  act?: KeyedAct,
): Promise<StoredCircuit> {
  await database.transaction((db) =>
    once(db, act, async () => {
      const row = await rowOf(db, id, true)
      if (row.revision !== revision) throw new HttpError(409, say('school.changedElsewhere'))
      const edited = applyEdit(documentOf(row), edit)
      if (!edited.ok) throw new HttpError(422, edited.problem, [edited.problem])
      await db.query('delete from circuit_edits where circuit_id = $1 and undone', [id])
      await db.query(
        `insert into circuit_edits (circuit_id, position, edit, inverse)
         select $1, coalesce(max(position), 0) + 1, $2, $3 from circuit_edits where circuit_id = $1`,
        [id, JSON.stringify(editDoor.write(edit)), JSON.stringify(editDoor.write(edited.inverse))],
      )
      await db.query(
        `delete from circuit_edits where circuit_id = $1 and position <= (
           select max(position) from circuit_edits where circuit_id = $1) - ${mostUndone}`,
        [id],
      )
      await store(db, id, edited.circuit)
    }),
  )
  return loadCircuit(database, id)
}

/** Takes the last edit back, or makes the last undone one again. */
export async function stepHistory(
  database: Database,
  id: string,
  way: 'undo' | 'redo',
  act?: KeyedAct,
): Promise<StoredCircuit> {
  await database.transaction((db) => once(db, act, () => takeStep(db, id, way)))
  return loadCircuit(database, id)
}

async function takeStep(db: Queries, id: string, way: 'undo' | 'redo'): Promise<void> {
  const row = await rowOf(db, id, true)
  const [entry] = await db.query<{ position: number; edit: unknown; inverse: unknown }>(
    way === 'undo'
      ? 'select position, edit, inverse from circuit_edits where circuit_id = $1 and not undone order by position desc limit 1'
      : 'select position, edit, inverse from circuit_edits where circuit_id = $1 and undone order by position limit 1',
    [id],
  )
  if (!entry) throw new HttpError(409, say(way === 'undo' ? 'school.nothingToUndo' : 'school.nothingToRedo'))
  const read = editDoor.read(way === 'undo' ? entry.inverse : entry.edit)
  if (!read.ok) throw new HttpError(422, say('school.unreadable'), read.problems)
  const edited = applyEdit(documentOf(row), read.value)
  if (!edited.ok) throw new HttpError(422, edited.problem, [edited.problem])
  await db.query('update circuit_edits set undone = $3 where circuit_id = $1 and position = $2', [
    id,
    entry.position,
    way === 'undo',
  ])
  await store(db, id, edited.circuit)
}

export async function savePlant(db: Queries, id: string, plant: Plant): Promise<void> {
  checkFaults(documentOf(await rowOf(db, id)), plant.faults)
  await db.query('update circuits set plant = $2 where id = $1', [id, JSON.stringify(plantDoor.write(plant))])
}

export function checkFaults(circuit: Circuit, faults: readonly Fault[]): void {
  const problems = faults.flatMap((fault) => checkFault(circuit, fault) ?? [])
  if (problems.length) throw new HttpError(422, problems[0]!, problems)
}

/** Puts it in a folder of the library, with tags. @throws HttpError 404 */
export async function shelve(db: Queries, id: string, { folder: name, tags }: Shelf): Promise<void> {
  const rows = await db.query('update circuits set folder = $2, tags = $3 where id = $1 returning id', [
    id,
    name,
    JSON.stringify([...new Set(tags)]),
  ])
  if (!rows.length) throw new HttpError(404, say('school.noCircuit'))
}

/** Takes a circuit out of the library. Work orders keep their own copy of it. */
export async function removeCircuit(db: Queries, id: string): Promise<void> {
  await db.query('delete from circuits where id = $1', [id])
}

/** Puts a circuit where another one is. */
export const shelveLike = (db: Queries, id: string, other: string): Promise<unknown[]> =>
  db.query(
    'update circuits set folder = o.folder, tags = o.tags from circuits o where circuits.id = $1 and o.id = $2',
    [id, other],
  )
