<script setup lang="ts">
import { t } from '../../words'
defineProps<{ title: string }>()
/** Treads of the drawing beside the door: volts at each point of a circuit with one bad joint. */
const treads = [12.6, 12.5, 12.4, 12.3, 5.1, 5, 0.1, 0]
const step = 46
const path = treads
  .map((volts, i) => `${i ? `H${i * step + 30}` : 'M30'} ${i ? 'V' : ''}${(300 - volts * 20).toFixed(0)}`)
  .join(' ')
</script>

<template>
  <div
    class="door min-h-full grid grid-cols-[minmax(0,460px)_320px] gap-72px content-center justify-center items-center p-24px"
  >
    <svg class="stairs" viewBox="-14 0 414 330" aria-hidden="true">
      <line
        v-for="v in [0, 4, 8, 12]"
        :key="v"
        x1="30"
        x2="390"
        :y1="300 - v * 20"
        :y2="300 - v * 20"
        class="rule"
      />
      <text v-for="v in [0, 4, 8, 12]" :key="'t' + v" x="24" :y="304 - v * 20" text-anchor="end">
        {{ v }} V
      </text>
      <path :d="path + ' H384'" class="line" />
      <line
        :x1="4 * step + 30"
        :x2="4 * step + 30"
        :y1="300 - 12.3 * 20"
        :y2="300 - 5.1 * 20"
        class="riser"
      />
    </svg>
    <section>
      <p class="word text-34px font-medium">{{ t('ui.common.brachyon') }}</p>
      <p class="quiet mb-28px">{{ t('ui.account.whereDoTheVoltsGo') }}</p>
      <h1 class="mb-14px">{{ title }}</h1>
      <slot />
    </section>
  </div>
</template>

<style scoped>
.rule {
  stroke: var(--rule);
}
text {
  font: 12px var(--face-text);
  font-variant-numeric: tabular-nums;
  fill: var(--quiet);
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.riser {
  stroke: var(--fault);
  stroke-width: 6;
}
@media (max-width: 820px) {
  .door {
    grid-template-columns: minmax(0, 340px);
  }
  .stairs {
    display: none;
  }
}
</style>
