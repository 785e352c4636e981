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
      {{ t('ui.sheet.isolated') }}
      <span class="quiet">{{
        t('ui.sheet.eachPartByItselfIts', {
          leadOhms: formatPlain(leadOhms),
        })
      }}</span>
    </h2>
    <KeyTable
      class="isolated"
      :columns="isolatedColumns"
      :rows="rows"
      :beside="!!faulted"
      :caption="t('ui.sheet.ohmsAndContinuityOfEach')"
      caption-hidden
      :view="view"
    />
    <p class="caution">
      {{ t('ui.sheet.disconnectBeforeOhmsOhmsAnd') }}
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
