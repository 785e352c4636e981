<script setup lang="ts">
import { NCard } from 'naive-ui'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { FloorAct, FloorRow } from '../../../contract/floor'
import { t, tell } from '../../words'
import { actWords } from './actWords'
import Curve from './Curve.vue'
import { minutesOf, needOf } from '../../readings/needs'
import NeedTag from '../../readings/NeedTag.vue'
import StationActs from './StationActs.vue'

/** One student at work. */
const props = defineProps<{ row: FloorRow; now: number }>()
const emit = defineEmits<{ act: [act: FloorAct] }>()
const need = computed(() => needOf(props.row, props.now))
const minutes = computed(() => minutesOf(props.row, props.now))
const suspects = computed(() => props.row.left?.at(-1))
</script>

<template>
  <li class="station min-w-0" :data-need="need">
    <NCard
      size="small"
      class="h-full"
      content-class="grid gap-5px content-start h-full"
      :theme-overrides="{ paddingSmall: '10px 12px' }"
    >
      <header class="flex gap-8px items-baseline">
        <RouterLink
          :to="{ name: 'review', params: { id: row.id } }"
          class="font-medium text-16px overflow-hidden text-ellipsis whitespace-nowrap"
          >{{ row.student.name }}</RouterLink
        >
        <NeedTag :need="need" class="ml-auto shrink-0" />
      </header>
      <p class="what quiet overflow-hidden text-ellipsis whitespace-nowrap">
        <span v-if="row.station" class="bench">{{ row.station }} · </span>{{ row.circuit }}
      </p>
      <p v-for="one in row.unsafe.slice(-2)" :key="one.step" class="text-fault font-medium" role="alert">
        {{ tell(one.what) }}
      </p>
      <p v-if="row.stopped" class="text-fault font-medium">{{ row.stopped }}</p>
      <div
        v-if="row.tests || minutes !== null"
        class="state flex flex-wrap gap-y-2px gap-x-12px items-center"
      >
        <Curve v-if="row.left && row.left.length > 1" :left="row.left" />
        <span>{{ t('ui.floor.readings', { count: row.tests }) }}</span>
        <span v-if="suspects !== undefined && !row.concluded">{{
          t('ui.floor.suspects', { count: suspects })
        }}</span>
        <span v-if="minutes !== null">{{ t('ui.common.min', { minutes }) }}</span>
        <span v-if="row.hints">{{ t('ui.floor.hints', { count: row.hints }) }}</span>
        <span v-if="row.idle > 1 && !row.concluded" class="text-doubt">{{
          t('ui.floor.uninformative', { count: row.idle })
        }}</span>
      </div>
      <p v-if="row.last" class="quiet last overflow-hidden text-ellipsis whitespace-nowrap">
        {{ actWords(row.last) }}
      </p>
      <StationActs v-if="!row.concluded" :row="row" class="mt-auto pt-3px" @act="emit('act', $event)" />
    </NCard>
  </li>
</template>

<style scoped>
.station :deep(.n-card) {
  border-left-width: 5px;
}
.station[data-need='working'] :deep(.n-card) {
  border-left-color: var(--good);
}
.station[data-need='stuck'] :deep(.n-card) {
  border-left-color: var(--doubt);
}
.station[data-need='unsafe'] :deep(.n-card),
.station[data-need='stopped'] :deep(.n-card) {
  border-color: var(--fault);
}
</style>
