import { fileURLToPath } from 'node:url'

/** Arguments for Node to run a program of the server: what has just been built where the whole suite runs, else the sources. */
export function program(name: 'main' | 'operations/command'): string[] {
  const built = process.env.BRACHYON_BUILT
  return built ? [fileURLToPath(`${built}/server/${name}.js`)] : ['--import', 'tsx', `src/server/${name}.ts`]
}
