<script setup lang="ts">
import { NButton, NInput, type InputInst } from 'naive-ui'
import { t, tell } from '../../words'
import { useKeys } from '../../keys/useKeys'
import { computed, ref } from 'vue'
import { readQuick, suggestions } from '../../../core/editing'
import { type Circuit } from '../../../core/circuit'

const props = defineProps<{ circuit: Circuit; where: string }>()
const emit = defineEmits<{ take: [line: string]; leave: [] }>()

const line = ref('')
const field = ref<InputInst | null>(null)
const read = computed(() => (line.value.trim() ? readQuick(props.circuit, line.value) : null))
/** Word that is being typed: the last piece, as long as it is one word. */
const begun = computed(() => {
  const last = line.value.split(/[,:]/).at(-1)!.trimStart()
  return /^[a-z]*$/i.test(last) && last ? last : ''
})
const offers = computed(() => (begun.value ? suggestions(begun.value).slice(0, 6) : []))

function complete(word: string) {
  line.value = `${line.value.slice(0, line.value.length - begun.value.length)}${word} `
  field.value?.focus()
}
const key = useKeys(
  t('ui.bench.typingParts'),
  [
    {
      press: ['Tab'],
      what: t('ui.bench.takeTheWordThatIs'),
      act: () => {
        const [offer] = offers.value
        if (!offer || offer === begun.value) return false
        complete(offer)
      },
    },
    {
      press: ['Enter'],
      what: t('ui.bench.putThePartsIn'),
      act: () => {
        if (!read.value?.ok) return false
        emit('take', line.value)
        line.value = ''
      },
    },
    {
      press: ['Escape'],
      what: t('ui.bench.emptyTheLineThenLeave'),
      act: () => (line.value ? void (line.value = '') : emit('leave')),
    },
  ],
  'own',
)
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <div class="quick relative">
    <NInput
      ref="field"
      v-model:value="line"
      size="small"
      :placeholder="t('ui.bench.fuse15Wire15')"
      :input-props="{
        'aria-label': t('ui.bench.typeParts'),
        'aria-describedby': 'quick-says',
        autocomplete: 'off',
        spellcheck: 'false',
      }"
      @keydown="key"
    />
    <p
      id="quick-says"
      class="says absolute z-20 top-100% right-0 w-[max(100%,460px)] py-6px px-10px line-rule-strong bg-sheet flex flex-wrap gap-y-2px gap-x-8px items-center text-12px text-quiet min-h-18px"
      aria-live="polite"
    >
      <template v-if="read?.ok">
        <kbd class="font-readings text-11px line-rule-strong rounded-3px py-0 px-4px">{{
          t('ui.common.enter')
        }}</kbd>
        <span v-if="read.from || read.to">{{
          t('ui.bench.newPathReads', {
            ends: read.from && read.to ? 'both' : read.from ? 'from' : 'to',
            from: read.from,
            to: read.to,
          })
        }}</span>
        <span v-else>{{ where }}:</span>
        <b v-for="(piece, i) in read.shown" :key="i" class="text-ink font-medium">{{ tell(piece) }}</b>
      </template>
      <span v-else-if="read" class="not text-fault">{{ tell(read.why) }}</span>
      <template v-else>
        {{ t('ui.bench.partsInTheOrderThe') }} <i>{{ 'K1.86' }}</i> {{ t('ui.bench.passesARelaysCoil') }}
        <i>{{ t('ui.bench.fromF1aToG1e') }}</i> {{ t('ui.bench.makesABranch') }}
      </template>
      <span v-if="offers.length && offers[0] !== begun" class="inline-flex gap-4px items-center">
        <NButton
          v-for="word in offers"
          :key="word"
          text
          type="primary"
          size="small"
          tabindex="-1"
          @click="complete(word)"
        >
          {{ word }}
        </NButton>
        <kbd class="font-readings text-11px line-rule-strong rounded-3px py-0 px-4px">{{
          t('ui.bench.tab')
        }}</kbd>
      </span>
    </p>
  </div>
</template>

<style scoped>
:deep(input) {
  font-family: var(--face-readings);
}
/* What was read of it, while somebody writes. */
.quick:not(:focus-within) .says {
  display: none;
}
</style>
