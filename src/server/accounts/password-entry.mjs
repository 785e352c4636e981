// A thread starts as plain JavaScript: what has just been built, where the tests say so, else the sources, which somebody
// has to teach it first.
const built = process.env.BRACHYON_BUILT
if (!built) (await import('tsx/esm/api')).register()
const { default: run } = await import(
  built ? `${built}/server/accounts/password-tasks.js` : './password-tasks.ts'
)
export default run
