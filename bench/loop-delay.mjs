import { monitorEventLoopDelay } from 'node:perf_hooks'
import { writeFileSync } from 'node:fs'

// Preloaded into a server under load: writes how long its event loop was held at most, in milliseconds, every second.
const delay = monitorEventLoopDelay({ resolution: 5 })
delay.enable()
let most = 0
let over = 0
// Not while it starts.
setTimeout(() => delay.reset(), 15_000).unref()
setInterval(() => {
  const now = delay.max / 1e6
  if (process.uptime() > 16) {
    most = Math.max(most, now)
    if (now > 100) over++
    writeFileSync(
      process.env.BRACHYON_LOOP_FILE,
      JSON.stringify({ most, over, p99: delay.percentile(99) / 1e6 }),
    )
  }
  delay.reset()
}, 1000).unref()
