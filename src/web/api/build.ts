import { ref } from 'vue'

/** The build of the interface that the server had when this page asked it first. */
let own: string | null = null

/** There is a newer interface than this page was loaded with: the next navigation loads it. */
export const isOutdated = ref(false)

/** Every answer says which build the server has. */
export function noteBuild(build: string | null): void {
  if (!build) return
  own ??= build
  isOutdated.value = build !== own
}
