// A worker thread starts as plain JavaScript: this teaches it TypeScript first.
import { register } from 'tsx/esm/api'

register()
const { default: judge } = await import('./judge-task.ts')
export default judge
