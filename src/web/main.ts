import '@fontsource/fira-sans/400.css'
import '@fontsource/fira-sans/500.css'
import '@fontsource/fira-mono/400.css'
import '@fontsource/fira-mono/500.css'
import './theme/base.css'
import 'virtual:uno.css'
import { z } from 'zod'
import { loadLanguage } from './words'

// The page's security policy forbids building code at run time, which the validator would otherwise try.
z.config({ jitless: true })

// Words that are made while a file is read are in the language already.
await loadLanguage()
await import('./app')
