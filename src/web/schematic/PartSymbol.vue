<script setup lang="ts">
import { computed } from 'vue'
import { partOfKind } from '../../core/parts'
import { symbolOf } from './symbols'

/** The symbol of a kind of part, as the drawing has it, at rest. */
const { kind } = defineProps<{ kind: string }>()
/** A part that is drawn in several passes is known by its first. */
const symbol = computed(() => {
  const part = partOfKind(kind)
  return symbolOf(part.passes?.[0]?.symbol ?? part.symbol)
})
const strokes = computed(() => symbol.value.draw(symbol.value.length, { detached: false }))
const box = computed(() => `-30 -6 60 ${symbol.value.length + 12}`)
</script>

<template>
  <svg class="part-symbol" :viewBox="box" aria-hidden="true">
    <path
      v-for="(stroke, n) in strokes"
      :key="n"
      :d="stroke.d"
      :transform="stroke.dy ? `translate(0 ${stroke.dy})` : undefined"
      :class="{ filled: stroke.filled, heavy: stroke.heavy }"
    />
  </svg>
</template>

<style scoped>
.part-symbol {
  width: 34px;
  height: 34px;
  transform: rotate(-90deg);
}
path {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
  stroke-linecap: round;
}
.filled {
  fill: currentcolor;
}
.heavy {
  stroke-width: 2.2;
}
</style>
