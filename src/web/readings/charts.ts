import { defineAsyncComponent, type Component } from 'vue'

/** Charts bring a package that is as large as a place: the place is shown without waiting for them. */
const later = <C extends Component>(loader: () => Promise<C>): C =>
  defineAsyncComponent({ loader, suspensible: false }) as C

export const Losses = later(async () => (await import('./Losses.vue')).default)
export const Staircase = later(async () => (await import('./Staircase.vue')).default)
