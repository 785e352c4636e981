import { loadLanguage, loadWords } from '../src/web/words'

// As in the browser: everything that can be said is there before anybody looks at a place.
await loadLanguage('de')
await loadWords()
await loadLanguage('en')
await loadWords()
