/** Milliseconds between two lines of progress: on a terminal one line is written over, elsewhere each stands. */
const onTerminal = 200
const elsewhere = 10_000

/** How far a long command is, on standard error. */
export class Progress {
  private last = performance.now()
  private shown = false

  show(text: string): void {
    const terminal = process.stderr.isTTY
    const now = performance.now()
    if (now - this.last < (terminal ? onTerminal : elsewhere)) return
    this.last = now
    this.shown = true
    process.stderr.write(terminal ? `\r\x1b[K${text}` : `${text}\n`)
  }

  /** @param of 0 where it is not known */
  rows(doing: string, rows: number, of: number): void {
    const share = of > 0 ? `, about ${Math.min(99, Math.round((100 * rows) / of))} %` : ''
    this.show(`${doing}: ${rows} rows${share}`)
  }

  end(): void {
    if (this.shown && process.stderr.isTTY) process.stderr.write('\r\x1b[K')
  }
}
