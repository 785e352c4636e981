/** A trial run: does everything once or twice, so that it is known to work; its figures say nothing. */
export const small = process.env.BRACHYON_SMALL !== undefined
export const times = (usual: number): number => (small ? Math.min(usual, 2) : usual)
