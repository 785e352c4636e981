import { parse, protocol, type PGlite } from '@electric-sql/pglite'

const { serialize } = protocol

/**
 * Statements that the embedded database parses and plans once, under a name, as a PostgreSQL server does for the same ones:
 * its own `query` does both anew each time. Over its protocol, which it offers for such uses
 * (PostgreSQL 17 manual, 53.2.3 “Extended Query”).
 */
export class KeptStatements {
  /** Types of the parameters, by the name of a statement that the database has. */
  private readonly types = new Map<string, readonly number[]>()

  constructor(private readonly pg: PGlite) {}

  /** Runs a statement by itself, after the transaction that is under way. */
  async alone<Row>(name: string, sql: string, parameters: readonly unknown[]): Promise<Row[]> {
    const rows = await this.pg._runExclusiveTransaction(() =>
      this.within<Row>(name, sql, parameters, () => true),
    )
    await this.pg.syncToFs()
    return rows
  }

  /**
   * Runs a statement in the transaction that is under way.
   * @param isOpen whether it still is, once it is this statement’s turn
   * @throws Error where it is not
   */
  within<Row>(
    name: string,
    sql: string,
    parameters: readonly unknown[],
    isOpen: () => boolean,
  ): Promise<Row[]> {
    return this.pg.runExclusive(async () => {
      if (!isOpen()) throw new Error('This transaction is over.')
      try {
        const types = this.types.get(name) ?? (await this.prepare(name, sql))
        const messages = []
        for (const part of [
          serialize.bind({ statement: name, values: this.texts(types, parameters) }),
          serialize.describe({ type: 'P' }),
          serialize.execute({}),
        ])
          messages.push(...(await this.pg.execProtocolStream(part, { syncToFs: false })))
        return (parse.parseResults(messages, this.pg.parsers)[0]?.rows ?? []) as Row[]
      } finally {
        await this.pg.execProtocolStream(serialize.sync(), { syncToFs: false })
      }
    })
  }

  private async prepare(name: string, sql: string): Promise<readonly number[]> {
    const say = (part: Uint8Array) => this.pg.execProtocolStream(part, { syncToFs: false })
    await say(serialize.parse({ name, text: sql }))
    const types = parse.parseDescribeStatementResults(await say(serialize.describe({ type: 'S', name })))
    this.types.set(name, types)
    return types
  }

  private texts(types: readonly number[], values: readonly unknown[]): (string | null)[] {
    return values.map((value, n) => {
      if (value === null || value === undefined) return null
      const written = this.pg.serializers[types[n]!]
      return written ? written(value) : String(value)
    })
  }
}
