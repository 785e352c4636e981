/** The order of the work in Plant. */
export const steps = ['fault', 'effect', 'handOut'] as const
export type PlantStep = (typeof steps)[number]
