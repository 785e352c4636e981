<script setup lang="ts">
import type { Circuit } from '../../../core/circuit'
import type { Wiring } from '../../../core/model'
import Schematic from '../../schematic/Schematic.vue'

/** The circuit on the wall: leads where the question is, the point that is asked for pulses. */
defineProps<{
  circuit: Circuit
  wiring: Wiring
  controls?: Readonly<Record<string, string>> | undefined
  detached?: readonly string[] | undefined
  red?: string
  black?: string
  asked?: string
  /** Share of the supply at each point that the class has seen, by node. */
  tint?: ReadonlyMap<number, number> | undefined
  struck?: ReadonlySet<string> | undefined
  ringed?: ReadonlySet<string> | undefined
  lit?: string | null
  notices?: InstanceType<typeof Schematic>['$props']['notices']
}>()
</script>

<template>
  <div class="wall min-h-0 bg-sheet line">
    <Schematic
      :circuit="circuit"
      :wiring="wiring"
      :controls="controls"
      :detached="detached"
      :red="red ?? ''"
      :black="black ?? ''"
      :asked="asked ?? ''"
      :tint="tint"
      :struck="struck"
      :ringed="ringed"
      :lit="lit ?? null"
      :notices="notices"
    />
  </div>
</template>

<style scoped>
/* Ten metres away short names are read, and nothing smaller is shown: leads are told apart by shape and colour. */
.wall :deep(.schematic .face-id),
.wall :deep(.schematic .asked .face-point) {
  font-size: calc(26px * var(--unit, 1));
}
.wall :deep(.schematic .asked .face-point) {
  fill: var(--focus);
  font-weight: 500;
}
.wall :deep(.schematic tspan:not(.face-id)),
.wall :deep(.schematic .asked tspan:not(.face-point)) {
  display: none;
}
.wall :deep(.schematic .asked .face-point) {
  display: inline;
}
.wall :deep(.schematic .stroke) {
  stroke-width: 3;
}
.wall :deep(.schematic .dot) {
  r: 6px;
}
.wall :deep(button) {
  opacity: 0;
}
.wall:hover :deep(button),
.wall:focus-within :deep(button) {
  opacity: 1;
}
</style>
