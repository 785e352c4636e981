import { looseLoads, readCircuitText, type Circuit, type Problem } from '../../../core/circuit'
import { circuitOfSpice } from '../../../core/formats'

export type FileRead =
  | { readonly ok: true; readonly circuit: Circuit; readonly from: string; readonly open: readonly Problem[] }
  | { readonly ok: false; readonly what: string; readonly problems: readonly Problem[] }

/** More than any circuit is; a file of this size is something else. */
const mostBytes = 2_000_000

/** Reads a file that somebody chose or dropped: a circuit in our JSON, or a SPICE netlist. Nothing is changed by reading. */
export async function readFile(file: File): Promise<FileRead> {
  const refused = (problems: readonly Problem[]): FileRead => ({
    ok: false,
    what: `${file.name} cannot be taken in; nothing was changed.`,
    problems,
  })
  if (file.size > mostBytes)
    return refused([
      { where: 'file', what: `It has ${Math.round(file.size / 1e6)} MB; a circuit has at most 2` },
    ])
  const text = await file.text()
  const netlist =
    /\.(cir|net|sp|spice)$/i.test(file.name) || (!/^\s*[{[]/.test(text) && /^\s*\.(end|op)\b/im.test(text))
  const read = netlist ? circuitOfSpice(text) : readCircuitText(text, { unfinished: true })
  if (!read.ok) return refused(read.problems)
  return {
    ok: true,
    circuit: read.value,
    from: netlist ? 'SPICE netlist' : 'circuit file',
    open: looseLoads(read.value),
  }
}
