import { fileURLToPath } from 'node:url'
import { Piscina } from 'piscina'
import type { JudgedAttempt } from '../../core/assessment'
import type { JudgeTask } from './judge-task'

/** Judging weighs hundreds of hypotheses: it runs beside the server, never in it. */
export class JudgePool {
  private readonly pool = new Piscina<JudgeTask, JudgedAttempt>({
    filename: fileURLToPath(new URL('./entry.mjs', import.meta.url)),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 600_000,
  })

  judge(task: JudgeTask): Promise<JudgedAttempt> {
    return this.pool.run(task)
  }

  close(): Promise<void> {
    return this.pool.destroy()
  }
}
