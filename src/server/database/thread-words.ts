import { DatabaseFailure } from './database'

/** What a thread is started with. */
export interface ThreadStart {
  readonly folder: string
  readonly image?: Blob
}

/** What is asked of the thread; each with a number, under which it is answered. */
export type Ask =
  | {
      readonly type: 'query'
      readonly sql: string
      readonly parameters: readonly unknown[]
      /** The name under which it is kept, where it is asked for often. */
      readonly name?: string
      /** Number of the `begin` whose transaction it belongs to. */
      readonly within?: number
    }
  | { readonly type: 'script'; readonly sql: string }
  | { readonly type: 'begin' }
  | { readonly type: 'end'; readonly within: number; readonly commit: boolean }
  | { readonly type: 'listen'; readonly channel: string }
  | { readonly type: 'deafen'; readonly listener: number }
  | { readonly type: 'ready' }
  | { readonly type: 'close' }
export type Asked = Ask & { readonly id: number }

/** An error as it crosses: ours by what it is made of, others by their text. */
export type Wrong =
  | { readonly trouble: DatabaseFailure['trouble']; readonly code: string; readonly constraint: string }
  | { readonly message: string }

export type Says =
  | { readonly type: 'answer'; readonly id: number; readonly value: unknown; readonly syncs: number }
  | { readonly type: 'wrong'; readonly id: number; readonly wrong: Wrong }
  | { readonly type: 'heard'; readonly listener: number; readonly payload: string }

export const wrongOf = (error: unknown): Wrong =>
  error instanceof DatabaseFailure
    ? { trouble: error.trouble, code: error.code, constraint: error.constraint }
    : { message: error instanceof Error ? error.message : String(error) }

export const errorOf = (wrong: Wrong): Error =>
  'trouble' in wrong
    ? new DatabaseFailure(wrong.trouble, wrong.code, wrong.constraint)
    : new Error(wrong.message)
