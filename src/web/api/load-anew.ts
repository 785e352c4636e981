/** A path that was just loaded anew because a part of the page was gone: not twice in a row. */
const reloaded = 'brachyon.reloaded'
/** A script of the page that was loaded is not there any more: an upgrade has taken it away. */
export const isGone = (error: unknown): boolean =>
  error instanceof Error &&
  /dynamically imported module|Importing a module script failed|error loading dynamically|preload CSS/i.test(
    error.message,
  )
/** @returns false where that was done a moment ago, and has not helped */
export function loadAnew(path: string): boolean {
  const last = sessionStorage.getItem(reloaded)
  if (last && Date.now() - Number(last) < 10_000) return false
  sessionStorage.setItem(reloaded, String(Date.now()))
  window.location.assign(path)
  return true
}
