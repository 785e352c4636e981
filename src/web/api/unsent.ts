/** Days for which what was not sent is kept: after that it would only surprise. */
const longest = 7

interface Kept<T> {
  readonly at: number
  readonly value: T
}

/** Who has signed in last on this page: what they did is theirs, also after their session has ended. */
let owner: string | null = null
export const setOwner = (user: string | null): void => void (owner = user)

/**
 * What somebody has done and the server has not acknowledged yet: it survives a reload and an ended session, and belongs
 * to whoever did it. Whoever else signs in at this browser neither sees nor sends it.
 * @param name such as `desk.ID`
 */
export function unsent<T>(name: string): { read(): T | undefined; write(value: T | undefined): void } {
  const place = (): string | null => owner && `brachyon.unsent.${owner}.${name}`
  return {
    read() {
      const at = place()
      if (!at) return undefined
      try {
        const text = localStorage.getItem(at)
        if (!text) return undefined
        const kept = JSON.parse(text) as Kept<T>
        return Date.now() - kept.at < longest * 86_400_000 ? kept.value : undefined
      } catch {
        return undefined
      }
    },
    write(value) {
      const at = place()
      if (!at) return
      try {
        if (value === undefined) localStorage.removeItem(at)
        else localStorage.setItem(at, JSON.stringify({ at: Date.now(), value } satisfies Kept<T>))
      } catch {
        // A full or forbidden storage: what is here is sent all the same, it only does not outlive the page.
      }
    },
  }
}
