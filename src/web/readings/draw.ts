import { h, type FunctionalComponent } from 'vue'
import { storedCircuitSchema } from '../../contract'
import { wireUp } from '../../core/model'
import { ask } from '../api/client'
import { SceneShapes } from '../schematic/SceneShapes'
import '../schematic/scene.css'
import { sceneOf, stillOf } from '../schematic/scene'
import { onForget } from '../stores/forget'

/** A circuit’s picture: its lines and symbols. */
export interface Drawn {
  readonly shapes: FunctionalComponent
}

const known = new Map<string, Promise<Drawn>>()
onForget(() => known.clear())
/** One after the other: a library of a hundred circuits does not hold up the page. */
let before: Promise<unknown> = Promise.resolve()
const idle = () =>
  new Promise<void>((resolve) =>
    'requestIdleCallback' in window ? requestIdleCallback(() => resolve()) : setTimeout(resolve, 10),
  )

/**
 * A picture of a circuit of the library, as it was last changed.
 * @param wanted whether somebody still looks: what waits for its turn is not fetched for nobody
 * @throws what kept the circuit away
 */
export function draw(id: string, updated: string, wanted: () => boolean): Promise<Drawn> {
  const key = `${id} ${updated}`
  let made = known.get(key)
  if (!made) {
    made = before.then(idle).then(() => {
      if (!wanted()) throw new Error('nobody looks any more')
      return picture(id)
    })
    known.set(key, made)
    before = made.catch(() => known.delete(key))
  }
  return made
}

async function picture(id: string): Promise<Drawn> {
  const { circuit } = await ask(storedCircuitSchema, `/circuits/${id}`)
  const { tags, links, parts, width, height } = sceneOf(stillOf(circuit, wireUp(circuit)), {})
  const figures = [...tags, ...links, ...parts].map(({ shapes, back }) => ({
    back,
    shapes: shapes().filter(({ type }) => type !== 'text'),
  }))
  return {
    shapes: () =>
      h(
        'svg',
        { class: 'schematic', viewBox: `0 0 ${width} ${height}` },
        figures.map(({ back, shapes }) => h('g', { class: { back } }, h(SceneShapes, { shapes }))),
      ),
  }
}
