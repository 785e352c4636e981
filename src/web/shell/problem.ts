import { shallowRef } from 'vue'

/** Why a place cannot be shown, and how to try once more. */
export interface Problem {
  readonly error: unknown
  readonly again: () => void
}

/** Set where a place, or the way to it, has failed; the frame of the page shows it in the place's stead. */
export const problem = shallowRef<Problem | null>(null)
