<script setup lang="ts">
import { formatPlain, t } from '../../words'
import { computed } from 'vue'
import { isolatedColumns, isolatedTable, type AnswerKey } from '../../../core/readings'
import KeyTable from '../../readings/KeyTable.vue'
import type { RowsView } from '../../readings/useRows'

const props = defineProps<{
  healthy: AnswerKey['isolated']
  faulted: AnswerKey['isolated'] | null
  leadOhms: number
  view: RowsView
}>()
const rows = computed(() => props.view.arrange(isolatedTable(props.healthy, props.faulted)))
</script>

<template>
  <article class="alone">
    <h2>
      {{ t('Isolated') }}
      <span class="quiet">{{
        t('each part by itself, its control closed; shorted leads read {leadOhms} Ω', {
          leadOhms: formatPlain(leadOhms),
        })
      }}</span>
    </h2>
    <KeyTable
      class="isolated"
      :columns="isolatedColumns"
      :rows="rows"
      :beside="!!faulted"
      :caption="t('Ohms and continuity of each part by itself')"
      caption-hidden
      :view="view"
    />
    <p class="caution">
      {{
        t(
          'Disconnect before ohms. Ohms and continuity prove a path for a milliamp, not for amps. These figures are of this drawing: the vehicle maker’s data come first.',
        )
      }}
    </p>
  </article>
</template>

<style scoped>
.isolated {
  max-width: 820px;
}
@media print {
  .alone {
    break-before: page;
  }
  .isolated {
    font-size: 11px;
  }
}
</style>
