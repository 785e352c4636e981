import { partOfKind } from '../../parts'
import { segmentAmps } from '../../board'
import { walkPath } from '../../readings'
import type { Scene, TechniqueRule } from './rule'

/** Amps from which a path counts as under load. */
const loaded = 0.02

const flows = ({ board }: Scene): boolean =>
  board.board.circuit.parts.some((part) => {
    const definition = partOfKind(part.kind)
    return (
      definition.role === 'load' &&
      definition.segments.some(
        (s) => Math.abs(segmentAmps(board.board, board.point, part.id, s.key)) > loaded,
      )
    )
  })

/** Both leads on the same side of the load: a drop test. */
function isDropTest({ predictor, setup }: Scene): boolean {
  return predictor.circuit.paths.some((path) => {
    const walk = walkPath(predictor.circuit, predictor.wiring, path)
    const sides = (node: number) =>
      new Set(walk.strides.filter((s) => s.from.node === node || s.to.node === node).map((s) => s.side))
    const red = sides(setup.red)
    const black = sides(setup.black)
    return (red.has('feed') && black.has('feed')) || (red.has('return') && black.has('return'))
  })
}

/** The healthy circuit would carry current in this state, so its loads are switched on. */
function meantToRun({ predictor, setup }: Scene): boolean {
  const healthy = predictor.board(undefined, setup.state)
  return healthy !== undefined && flows({ board: healthy } as Scene)
}

const claims = ({ inference, earlier }: Scene): boolean => {
  const before = [...earlier].reverse().find((step) => step.type === 'infer')
  const known = new Set(before?.type === 'infer' ? before.cleared : [])
  return inference?.cleared.some((id) => !known.has(id)) ?? false
}

/** Mistakes that instructors see again and again, as rules over one test. A new rule is its entry here. */
export const techniqueRules: readonly TechniqueRule[] = [
  {
    id: 'ohms-live',
    title: 'Ohms on a live circuit',
    weight: 'mistake',
    fires: ({ live, setup }) => live && setup.function !== 'volts',
    say: 'The circuit was live between the leads, so the meter’s own current was swamped and the number means nothing.',
    instead: 'Lift the battery strap or unplug the piece before ohms.',
  },
  {
    id: 'same-point',
    title: 'Both leads on one point',
    weight: 'slip',
    fires: ({ setup }) => setup.red === setup.black,
    say: 'Both leads were on the same point: the meter can only show its own leads.',
    instead: 'Put the leads on the two ends of what is in question.',
  },
  {
    id: 'drop-without-load',
    title: 'Drop test with the circuit off',
    weight: 'mistake',
    fires: (scene) =>
      scene.setup.function === 'volts' && isDropTest(scene) && !meantToRun(scene) && claims(scene),
    say: 'No current could flow in this state, so a drop of zero is no proof: nothing is lost where nothing flows.',
    instead: 'Switch the load on and measure again.',
  },
  {
    id: 'zero-is-not-perfect',
    title: 'Zero read as perfect',
    weight: 'mistake',
    fires: (scene) =>
      scene.setup.function === 'volts' &&
      isDropTest(scene) &&
      meantToRun(scene) &&
      !flows(scene) &&
      Math.abs(scene.step.reading.value ?? 1) < 0.005 &&
      claims(scene),
    say: 'Zero volts of drop here meant that no current flowed, not that the piece is perfect.',
    instead: 'Small and not zero is good; zero asks where the current stops.',
  },
  {
    id: 'cold-ohms-trusted',
    title: 'Trusting continuity or cold ohms',
    weight: 'slip',
    fires: (scene) => scene.setup.function !== 'volts' && !scene.live && claims(scene),
    say: 'A milliamp from the meter proves a path, not that the path carries amps.',
    instead: 'Prove it by its drop under its own load.',
  },
  {
    id: 'complaint-not-verified',
    title: 'Complaint not verified',
    weight: 'slip',
    fires: ({ earlier }) =>
      !earlier.some((step) => step.type === 'test') && !earlier.some((step) => step.type === 'operate'),
    say: 'The first test came before the complaint had been seen with one’s own eyes.',
    instead: 'Operate the circuit first and note what it does.',
  },
  {
    id: 'leads-reversed',
    title: 'Leads reversed',
    weight: 'note',
    fires: ({ setup, step }) => setup.function === 'volts' && (step.reading.value ?? 0) < -0.005,
    say: 'The minus sign only says that the red lead was on the lower point; the size is good.',
    instead: 'Nothing to redo: red minus black.',
  },
]
