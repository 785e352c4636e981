import start from '../../messages/start.json' with { type: 'json' }

export type Texts = Readonly<Record<string, string>>
/** What signing in needs, and all the rest. */
export type Part = 'start' | 'rest'

const files = import.meta.glob<Texts>('../../messages/*/**/*.json', { import: 'default' })

/** `../../messages/de/ui/floor.json`: German, what begins with `ui.floor`. */
const read = (path: string): { language: string; area: string } => {
  const [language = '', ...area] = path.replace('../../messages/', '').replace('.json', '').split('/')
  return { language, area: area.join('.') }
}

/** Texts of a language by their codes. */
export async function loadTexts(language: string, part: Part): Promise<Texts> {
  const wanted = Object.keys(files).filter((path) => {
    const of = read(path)
    return of.language === language && start.includes(of.area) === (part === 'start')
  })
  const loaded = await Promise.all(
    wanted.map(async (path) =>
      Object.entries(await files[path]!()).map(([key, text]) => [`${read(path).area}.${key}`, text] as const),
    ),
  )
  return Object.fromEntries(loaded.flat())
}
