import { monitorEventLoopDelay } from 'node:perf_hooks'
import { appendFileSync } from 'node:fs'
import { isMainThread } from 'node:worker_threads'

// Preloaded into a server under load: writes every second how long its event loop was held at most, in milliseconds;
// that of the thread which answers, not of those that it has beside it.
if (isMainThread) {
  const delay = monitorEventLoopDelay({ resolution: 5 })
  delay.enable()
  setInterval(() => {
    appendFileSync(process.env.BRACHYON_LOOP_FILE, `${Date.now()} ${(delay.max / 1e6).toFixed(1)}\n`)
    delay.reset()
  }, 1000).unref()
}
