declare module 'pino-roll' {
  import type { DestinationStream } from 'pino'
  export default function roll(options: {
    readonly file: string
    readonly size?: string
    readonly frequency?: 'daily' | 'hourly'
    readonly mkdir?: boolean
    readonly limit?: { readonly count: number }
  }): Promise<DestinationStream>
}
