import { english } from './english'
import { speaker } from './tell'

export { speaker } from './tell'
export { catalogues, english } from './english'

/** In English. */
export const tell = speaker({ tag: 'en-GB', texts: english })
