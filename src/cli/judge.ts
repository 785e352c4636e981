import { runJudge } from './run-judge'

const { status, stdout, stderr } = runJudge(process.argv.slice(2))
process.stdout.write(stdout)
process.stderr.write(stderr)
process.exitCode = status
