/** The little that the rest of the server knows of its database: the same on PGlite and on a PostgreSQL server. */
export interface Queries {
  /** One statement with bound parameters `$1 …`. JSON goes in as text. */
  query<Row>(sql: string, parameters?: readonly unknown[]): Promise<Row[]>
}

export interface Database extends Queries {
  /** Runs `work` in one transaction: all of it or nothing. */
  transaction<T>(work: (queries: Queries) => Promise<T>): Promise<T>
  /** Several statements without parameters, for migrations. */
  script(sql: string): Promise<void>
  close(): Promise<void>
}
