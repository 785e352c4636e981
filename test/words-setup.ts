import { loadCore } from '../src/web/words'

// As in the browser: what core says is there before anybody looks at a place.
await loadCore()
