import { parseArgs } from 'node:util'
import { readCircuitText } from '../core/editing'
import { readFaultSpec, type Fault } from '../core/faults'
import { tell } from '../core/words'
import { serveStandIn } from '../meter/serve'
import { Ended, list, textOf } from './ended'

const help = `npm run meter -- [--circuit FILE] [--fault SPEC] [--port N] [--seed N]

Starts a simulated meter that speaks SCPI over TCP on this machine, held to a simulated board.
  --circuit FILE  a circuit of ours (default demo/circuits/van-washer-pump.json)
  --fault SPEC    what is planted, spelled as for npm run key; may be given more than once; none: a sound board
  --port N        where it listens (default 5025)
  --seed N        which board: its parts are drawn within their tolerance, the same for the same number (default 1)

It understands *IDN?, *RST, *CLS, CONFigure:…, CONFigure?, READ?, MEASure:…?, FETCh?, SYSTem:ERRor?, and two commands of
its own that say what the leads touch and how the board is arranged:
  SIMulate:HOLD {"type":"leads","red":"L1a","black":"B1-"}
  SIMulate:STATe {"controls":{"S1":"closed"},"detached":[]}`

async function run(): Promise<void> {
  let options
  try {
    options = parseArgs({
      options: {
        circuit: { type: 'string', default: 'demo/circuits/van-washer-pump.json' },
        fault: { type: 'string', multiple: true, default: [] },
        port: { type: 'string', default: '5025' },
        seed: { type: 'string', default: '1' },
        help: { type: 'boolean', default: false },
      },
    }).values
  } catch (error) {
    throw new Ended(2, error instanceof Error ? error.message : String(error))
  }
  if (options.help) return void console.log(help)
  const read = readCircuitText(textOf(options.circuit))
  if (!read.ok) throw new Ended(1, list(options.circuit, read.problems))
  const planted = options.fault.map((spec): Fault => {
    const found = readFaultSpec(read.value, spec)
    if (!found.ok) throw new Ended(1, `--fault ${spec}: ${tell(found.why)}`)
    return found.fault
  })
  const port = Number(options.port)
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Ended(2, `--port ${options.port}: 0 to 65535`)
  const server = await serveStandIn({ circuit: read.value, planted, seed: Number(options.seed) || 1 }, port)
  const address = server.address()
  console.log(
    `Stand-in meter on ${read.value.name}: 127.0.0.1:${typeof address === 'object' ? address!.port : port}`,
  )
}

run().catch((error: unknown) => {
  console.error(error instanceof Ended ? error.message : error)
  process.exitCode = error instanceof Ended ? error.status : 1
})
