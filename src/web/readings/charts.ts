import { defineAsyncComponent } from 'vue'

/** Charts bring a package that is as large as a place: they come after the place that they stand in. */
export const Losses = defineAsyncComponent(() => import('./Losses.vue'))
export const Staircase = defineAsyncComponent(() => import('./Staircase.vue'))
