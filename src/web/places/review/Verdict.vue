<script setup lang="ts">
import { quoted, t, tell } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import type { Reply } from '../../../contract'
import { aspectNames, type Judgement } from '../../../core/assessment'
import type { Message } from '../../../core/document'

/** One verdict with its reason; its student may answer it with a sentence. */
const props = defineProps<{
  judgement: Judgement
  say: (m: Message) => string
  reply: Reply | undefined
  own: boolean
}>()
const emit = defineEmits<{ answer: [reply: Reply] }>()
/** The rule of technique that fired, if it is one. */
const rule = computed(() => /^rules\.(\w+)\./.exec(props.judgement.verdict.code)?.[1])
const answering = ref(false)
const text = ref('')
function begin() {
  text.value = props.reply?.body ?? ''
  answering.value = true
}
function keep() {
  const { step, verdict } = props.judgement
  emit('answer', { step, verdict: verdict.code, body: text.value })
  answering.value = false
}
</script>

<template>
  <div class="judgement text-13px pl-10px line-l-3px-rule-strong" :data-grade="judgement.grade">
    <p>
      <span class="tag font-medium"
        >{{ tell(aspectNames[judgement.aspect]) }}: {{ say(judgement.verdict) }}</span
      >
      {{ say(judgement.reason) }}
      <RouterLink v-if="rule" :to="{ name: 'handbook', params: { entry: `rule-${rule}` } }">{{
        t('ui.review.lookItUp')
      }}</RouterLink>
      <NButton v-if="own && !answering" text type="primary" @click="begin">
        {{ reply ? t('ui.review.changeYourAnswer') : t('ui.common.answer') }}
      </NButton>
    </p>
    <p v-if="reply && !answering" class="italic">
      {{ own ? t('ui.review.you') : t('ui.review.theStudent') }}: {{ quoted(reply.body) }}
    </p>
    <form v-if="answering" class="flex gap-6px mt-4px" @submit.prevent="keep">
      <NInput
        v-model:value="text"
        size="small"
        :input-props="{ 'aria-label': t('ui.review.yourAnswerToThisVerdict') }"
        :placeholder="t('ui.review.howYouSawIt')"
      />
      <NButton size="small" type="primary" attr-type="submit">{{ t('ui.common.keep') }}</NButton>
    </form>
  </div>
</template>

<style scoped>
.judgement[data-grade='good'] {
  border-color: var(--good);
}
.judgement[data-grade='good'] .tag {
  color: var(--good);
}
.judgement[data-grade='partly'] {
  border-color: var(--doubt);
}
.judgement[data-grade='partly'] .tag {
  color: var(--doubt);
}
.judgement[data-grade='poor'] {
  border-color: var(--fault);
}
.judgement[data-grade='poor'] .tag {
  color: var(--fault);
}
</style>
