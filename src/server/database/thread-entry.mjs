// As for the other threads: what has just been built, else the sources with TypeScript taught first.
const built = process.env.BRACHYON_BUILT
if (!built) (await import('tsx/esm/api')).register()
await import(built ? `${built}/server/database/thread.js` : './thread.ts')
