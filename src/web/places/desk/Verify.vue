<script setup lang="ts">
import Fold from '../../parts/Fold.vue'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import { partOf } from '../../../core/model'
import { t, tell } from '../../words'
import { dequal } from 'dequal/lite'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { nameOfPart, noticeText, partOfKind } from '../../../core/parts'
import type { DeskModel } from './useDesk'

/** What is seen and heard, and whether it is what the driver complained of. On a real board the student says what is seen. */
const props = defineProps<{ model: DeskModel }>()
const real = computed(() => props.model.desk?.frame.source !== 'model')
const told = ref<Record<string, string>>({})
const showing = computed(() =>
  props.model.circuit.parts.flatMap(({ id, kind, name }) => {
    const { notice, title } = partOfKind(kind)
    return notice ? [{ id, name: name || tell(title), kind, keys: notice.all.map((n) => n.key) }] : []
  }),
)
const last = computed(() => props.model.steps.findLast((s) => s.type === 'operate'))
const shown = computed(() =>
  Object.entries(last.value?.seen ?? {}).map(([id, key]) => {
    const part = partOf(props.model.circuit, id)
    return `${id} ${tell(nameOfPart(part))}: ${tell(noticeText(part.kind, key))}`
  }),
)
const said = computed(() => props.model.steps.findLast((s) => s.type === 'operate' && s.says))

const say = (says: 'asComplained' | 'notReproduced') =>
  props.model.operate(
    says,
    real.value ? Object.fromEntries(Object.entries(told.value).filter(([, key]) => key)) : undefined,
  )
/** It was said of the circuit as it is set now: once is enough. */
const isSaid = (says: 'asComplained' | 'notReproduced') =>
  last.value?.says === says &&
  !props.model.unseen &&
  dequal(last.value.arrangement, props.model.arrangementNow())
</script>

<template>
  <Fold
    v-if="real || last"
    class="verify"
    :open="!said"
    :title="
      said && 'says' in said
        ? said.says === 'asComplained'
          ? t('ui.desk.asComplained')
          : t('ui.desk.notReproduced')
        : t('ui.desk.verifyComplaint')
    "
  >
    <template v-if="real">
      <p>{{ t('ui.desk.operateTheBoardAsIt') }}</p>
      <Choice
        v-for="part in showing"
        :key="part.id"
        :label="`${part.id} ${part.name}`"
        :value="told[part.id] ?? ''"
        :entries="[
          { value: '', label: t('ui.desk.notLookedAt') },
          ...entriesOf(
            part.keys,
            (key) => key,
            (key) => tell(noticeText(part.kind, key)),
          ),
        ]"
        @update:value="told[part.id] = $event ?? ''"
      />
    </template>
    <p v-else-if="shown.length" class="seen text-13px">{{ shown.join(' · ') }}</p>
    <div class="row flex gap-8px">
      <NButton
        size="small"
        :loading="model.busy"
        :disabled="isSaid('asComplained')"
        @click="say('asComplained')"
        >{{ t('ui.desk.asComplainedTitle') }}</NButton
      >
      <NButton
        size="small"
        :loading="model.busy"
        :disabled="isSaid('notReproduced')"
        @click="say('notReproduced')"
        >{{ t('ui.desk.notReproducedTitle') }}</NButton
      >
    </div>
  </Fold>
</template>

<style scoped>
.verify > * + * {
  margin-top: 6px;
}
</style>
