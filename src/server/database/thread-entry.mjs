// A worker thread starts as plain JavaScript: this teaches it TypeScript first.
import { register } from 'tsx/esm/api'

register()
await import('./thread.ts')
