<script setup lang="ts">
import { NButton } from 'naive-ui'
import type { Drills } from '../../../contract/drill-sets'
import type { Held } from '../../../contract/ideas'
import Beside from '../../parts/Beside.vue'
import Panel from '../../parts/Panel.vue'
import { dayWords } from '../../parts/when'
import Ideas from '../../readings/Ideas.vue'
import { t } from '../../words'
import Levels from './Levels.vue'

/** What can be begun: ten questions, what the class was set, one kind alone. */
defineProps<{ drills: Drills; ideas: readonly Held[]; busy: boolean }>()
const emit = defineEmits<{ begin: [query: Record<string, string>] }>()
</script>

<template>
  <Beside
    ><div class="grid gap-14px">
      <Panel :title="t('ui.drills.tenQuestions')">
        <div class="grid gap-10px">
          <p>{{ t('ui.drills.howItWorks') }}</p>
          <NButton
            type="primary"
            size="large"
            class="justify-self-start"
            :loading="busy"
            @click="emit('begin', {})"
            >{{ t('ui.drills.start') }}</NButton
          >
          <p v-if="drills.today" class="quiet">
            {{ t('ui.drills.today', { count: drills.today }) }}
          </p>
        </div>
      </Panel>
      <Panel v-if="drills.sets.length" :title="t('ui.drills.setForYou')">
        <ul class="m-0 p-0 list-none grid gap-8px">
          <li v-for="one in drills.sets" :key="one.id" class="flex flex-wrap gap-10px items-center">
            <strong>{{ one.name }}</strong>
            <span>{{
              t('ui.drills.setUntil', { done: one.done, of: one.items, due: dayWords(one.due) })
            }}</span>
            <NButton
              size="small"
              :type="one.done < one.items ? 'primary' : 'default'"
              @click="emit('begin', { set: one.id })"
              >{{ one.done < one.items ? t('ui.drills.goOn') : t('ui.drills.again') }}</NButton
            >
          </li>
        </ul>
      </Panel>
      <Panel v-if="ideas.length" :title="t('ui.drills.yourIdeas')">
        <Ideas :ideas="ideas" />
        <p class="quiet mt-8px">{{ t('ui.drills.ideasNote') }}</p>
      </Panel>
    </div>
    <template #side><Levels :levels="drills.levels" @drill="emit('begin', { kind: $event })" /></template
  ></Beside>
</template>
