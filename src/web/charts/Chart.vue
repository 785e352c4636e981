<script setup lang="ts">
import { shallowRef, useTemplateRef, watch } from 'vue'
import VChart from 'vue-echarts'
import './chart'

/** A chart with a name for who cannot see it; where the pointer is, is told in pixels from its corner. */
const { option, label } = defineProps<{ option: Record<string, unknown>; label: string }>()
const emit = defineEmits<{
  move: [at: readonly [x: number, y: number]]
  leave: []
  press: [at: readonly [x: number, y: number]]
}>()

/** The numbers beside it are painted first, and the chart, which takes as long as all of them, in the frame after. */
const shown = shallowRef(option)
let waiting = false
watch(
  () => option,
  () => {
    if (waiting) return
    waiting = true
    requestAnimationFrame(() =>
      setTimeout(() => {
        waiting = false
        shown.value = option
      }),
    )
  },
)
const chart = useTemplateRef<InstanceType<typeof VChart>>('chart')
type Spot = { offsetX: number; offsetY: number }
const at = ({ offsetX, offsetY }: Spot) => [offsetX, offsetY] as const

defineExpose({
  /** What stands at a spot of one of its grids; undefined outside of it. */
  valueAt(grid: number, [x, y]: readonly [number, number]): readonly [number, number] | undefined {
    const found = chart.value?.containPixel({ gridIndex: grid }, [x, y])
      ? chart.value.convertFromPixel({ gridIndex: grid }, [x, y])
      : undefined
    return Array.isArray(found) ? [Number(found[0]), Number(found[1])] : undefined
  },
})
</script>

<template>
  <!-- Until it has drawn itself anew it may be larger than its place. -->
  <VChart
    ref="chart"
    class="overflow-hidden min-w-0"
    :option="shown"
    :update-options="{ lazyUpdate: true }"
    autoresize
    role="img"
    :aria-label="label"
    @zr:mousemove="emit('move', at($event))"
    @zr:globalout="emit('leave')"
    @zr:click="emit('press', at($event))"
  />
</template>
