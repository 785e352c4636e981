<script setup lang="ts">
import Fold from '../../parts/Fold.vue'
import { t, tell } from '../../words'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { findProcedure } from '../../../core/handbook'

/** The steps that the lesson gives, without a number of this board: what to do, and what an outcome would mean. */
const props = defineProps<{ procedure: string }>()
const found = computed(() => findProcedure(props.procedure))
</script>

<template>
  <Fold v-if="found" class="procedure" :title="tell(found.title)">
    <p class="quiet">{{ tell(found.about) }}</p>
    <ol class="pl-20px my-4px mx-0">
      <li v-for="step in found.steps" :key="step.key" class="mt-8px">
        {{ tell(step.do) }}
        <ul class="pl-20px my-4px mx-0">
          <li v-for="(outcome, i) in step.outcomes" :key="i">
            <b>{{ tell(outcome.when) }}.</b> {{ tell(outcome.means) }}
          </li>
        </ul>
      </li>
    </ol>
    <RouterLink :to="{ name: 'handbook', params: { entry: found.key } }" target="_blank">{{
      t('ui.common.handbook')
    }}</RouterLink>
  </Fold>
</template>
