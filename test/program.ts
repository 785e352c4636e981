import { fileURLToPath } from 'node:url'

/** Arguments for Node to run the server: what has just been built where the whole suite runs, else the sources. */
export function serverProgram(): string[] {
  const built = process.env.BRACHYON_BUILT
  return built ? [fileURLToPath(`${built}/server/main.js`)] : ['--import', 'tsx', 'src/server/main.ts']
}
