import { readdirSync, readFileSync } from 'node:fs'

const folder = 'src/messages'

/** Every text of a language by its code, read from its files. */
export function messagesOf(language: string): Readonly<Record<string, string>> {
  const files = readdirSync(`${folder}/${language}`, { recursive: true, encoding: 'utf8' }).filter((file) =>
    file.endsWith('.json'),
  )
  return Object.fromEntries(
    files.flatMap((file) => {
      const texts = JSON.parse(readFileSync(`${folder}/${language}/${file}`, 'utf8')) as Record<
        string,
        string
      >
      const area = file.replace('.json', '').replaceAll('/', '.')
      return Object.entries(texts).map(([key, text]) => [`${area}.${key}`, text])
    }),
  )
}
