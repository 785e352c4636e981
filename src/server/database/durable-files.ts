import { closeSync, fsyncSync, openSync, readdirSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { join } from 'node:path'
import { NodeFS } from '@electric-sql/pglite/nodefs'

/** Where the embedded database sees its folder. */
const mount = '/pglite/data'

/**
 * Files of the embedded database that are really written. By itself it never syncs: a power cut would take what was
 * acknowledged. Here PostgreSQL's own calls reach the disk, in the order in which it makes them: data and control files
 * at once, and never before the log that they depend on. The log itself is synced once for all that has been committed
 * since (`settle`), off the event loop, before anybody is answered.
 */
export class DurableFiles extends NodeFS {
  /** Log files, by their path on the disk, that have been written since their last sync. */
  private readonly dirty = new Set<string>()
  private running: Promise<void> | undefined
  private next: Promise<void> | undefined
  /** Syncs of the log so far, for the benchmark and the tests. */
  syncs = 0

  /**
   * @param first a first start is under way: nothing is promised yet, so nothing is synced until `complete`
   */
  constructor(
    private readonly folder: string,
    private first: boolean,
  ) {
    super(folder)
  }

  /** The first start is done: everything that it wrote goes onto the disk at one go. */
  async complete(): Promise<void> {
    await syncTree(this.folder)
    this.first = false
    this.dirty.clear()
  }

  override async init(...[pg, options]: Parameters<NodeFS['init']>) {
    const made = await super.init(pg, options)
    made.emscriptenOpts.preRun = [
      ...(made.emscriptenOpts.preRun ?? []),
      (module: { NODEFS: { stream_ops: Record<string, unknown> } }) => {
        module.NODEFS.stream_ops.fsync = (stream: { path?: string; nfd?: number }): number => {
          this.sync(stream.path ?? '', stream.nfd)
          return 0
        }
      },
    ]
    return made
  }

  /** Once it resolves, all that was committed before the call is on the disk. Commits that come together share a sync. */
  settle(): Promise<void> {
    if (this.first || (!this.dirty.size && !this.running)) return Promise.resolve()
    if (!this.running) return this.start()
    // One is under way and may have begun too early: the next will do for all who come meanwhile.
    this.next ??= this.running.then(
      () => this.start(),
      () => this.start(),
    )
    return this.next
  }

  private start(): Promise<void> {
    this.next = undefined
    const files = [...this.dirty]
    this.dirty.clear()
    const run = Promise.all(files.map((file) => syncFile(file).catch(unlessGone))).then(
      () => {
        this.syncs++
        this.running = undefined
      },
      (error: unknown) => {
        for (const file of files) this.dirty.add(file)
        this.running = undefined
        throw error
      },
    )
    this.running = run
    return run
  }

  private sync(path: string, descriptor: number | undefined): void {
    if (this.first) return
    const file = join(this.folder, path.startsWith(mount) ? path.slice(mount.length) : path)
    if (/\/pg_wal\/[0-9A-F]{24}$/.test(path)) {
      this.dirty.add(file)
      return
    }
    for (const log of this.dirty) syncLog(log)
    this.dirty.clear()
    if (descriptor === undefined) syncNow(file)
    else fsyncSync(descriptor)
  }
}

/**
 * A log file that is gone was recycled by a checkpoint: everything that stood in it is on the disk in the data files, or
 * PostgreSQL would not have let it go.
 */
function unlessGone(error: unknown): void {
  if (!(error instanceof Error && 'code' in error && error.code === 'ENOENT')) throw error
}

function syncLog(file: string): void {
  try {
    syncNow(file)
  } catch (error) {
    unlessGone(error)
  }
}

async function syncFile(file: string): Promise<void> {
  const handle = await open(file, 'r')
  try {
    await handle.datasync()
  } finally {
    await handle.close()
  }
}

/** A file or folder onto the disk, now. */
export function syncNow(file: string): void {
  const descriptor = openSync(file, 'r')
  try {
    fsyncSync(descriptor)
  } finally {
    closeSync(descriptor)
  }
}

/** A folder with all that is in it: files first, then the folders that name them. */
async function syncTree(folder: string): Promise<void> {
  const entries = readdirSync(folder, { withFileTypes: true, recursive: true })
  const pathsOf = (wanted: 'isFile' | 'isDirectory') =>
    entries.filter((entry) => entry[wanted]()).map((entry) => join(entry.parentPath, entry.name))
  const files = pathsOf('isFile')
  for (let at = 0; at < files.length; at += together)
    await Promise.all(files.slice(at, at + together).map(syncFile))
  for (const path of pathsOf('isDirectory')) syncNow(path)
  syncNow(folder)
}
/** Files that are open at once while a folder is synced. */
const together = 64
