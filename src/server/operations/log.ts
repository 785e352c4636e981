import { pino, type Logger, type LoggerOptions } from 'pino'
import roll from 'pino-roll'

export interface LogFile {
  readonly file: string
  /** Size at which a new one is begun; also every day. */
  readonly size?: string
  /** Files that are kept beside the one that is written. */
  readonly keep?: number
}

/** Where lines go: to standard output, where a system’s journal keeps and rotates them, or to a file that rotates itself. */
export async function openLog(options: LoggerOptions, to?: LogFile): Promise<Logger> {
  if (!to) return pino(options)
  const { file, size = '10m', keep = 14 } = to
  const stream = await roll({ file, size, frequency: 'daily', mkdir: true, limit: { count: keep } })
  return pino(options, stream)
}
