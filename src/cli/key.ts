import { runKey } from './run-key'

const { status, stdout, stderr } = runKey(process.argv.slice(2))
process.stdout.write(stdout)
process.stderr.write(stderr)
process.exitCode = status
