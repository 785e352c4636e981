<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput, NSpin } from 'naive-ui'
import { useIntervalFn } from '@vueuse/core'
import { ref, shallowRef } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { cardAnswerSchema, cardPeopleSchema, claimSchema, type CardPeople } from '../../../contract/days'
import { send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useSession } from '../../stores/session'
import DoorFrame from './DoorFrame.vue'

/** From the QR code on a bench: the word of the day, one’s own name, and what proves that it is one’s own. */
const { params } = useRoute()
const router = useRouter()
const session = useSession()
const word = ref('')
const code = ref('')
const { busy, wrong, act: doing } = useAct()
const found = shallowRef<CardPeople | null>(null)
const person = shallowRef<CardPeople['people'][number] | null>(null)
/** Given while the instructor is asked; null where nobody is. */
const claim = ref<string | null>(null)
const card = () => ({ day: String(params.day), stand: Number(params.stand), word: word.value })

async function act(work: () => Promise<void>) {
  if (!(await doing(work))) claim.value = null
}
const look = () => act(async () => void (found.value = await send(cardPeopleSchema, '/card', card())))
async function enter(proof: { code: string } | { claim: string }) {
  const answer = await send(cardAnswerSchema, '/card/in', { ...card(), person: person.value!.id, ...proof })
  // The instructor has not confirmed yet who stands there.
  if ('waiting' in answer) return
  session.take(answer)
  await router.push('/')
}
const withCode = () => act(() => enter({ code: code.value }))
const askInstructor = () =>
  act(async () => {
    const answer = await send(claimSchema, '/card/ask', { ...card(), person: person.value!.id })
    claim.value = answer.claim
  })
useIntervalFn(() => {
  const waiting = claim.value
  if (waiting && !busy.value) void act(() => enter({ claim: waiting }))
}, 2500)
function back() {
  person.value = null
  claim.value = null
  code.value = ''
  wrong.value = ''
}
</script>

<template>
  <DoorFrame :title="found ? found.stand : t('ui.common.atTheBench')">
    <form v-if="!found" class="grid gap-14px" @submit.prevent="look">
      <label class="field"
        >{{ t('ui.account.wordOfTheDay') }}
        <NInput
          v-model:value="word"
          :input-props="{ autocapitalize: 'none', autocomplete: 'off', spellcheck: false }"
          autofocus
          placeholder=""
        />
      </label>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <NButton type="primary" attr-type="submit" :loading="busy">{{ t('ui.account.continue') }}</NButton>
      <p class="quiet">{{ t('ui.account.yourInstructorHasItOn') }}</p>
    </form>
    <div v-else-if="!person" class="grid gap-14px">
      <p>{{ t('ui.account.whoAreYou', { day: found.day }) }}</p>
      <NButton v-for="one in found.people" :key="one.id" size="large" @click="person = one">{{
        one.name
      }}</NButton>
      <p v-if="!found.people.length">{{ t('ui.account.nobodyWorksAtThisBench') }}</p>
    </div>
    <form v-else class="grid gap-14px" @submit.prevent="withCode">
      <p>{{ person.name }}</p>
      <template v-if="claim">
        <p role="status"><NSpin size="small" /> {{ t('ui.account.waitingForYourInstructorTo') }}</p>
      </template>
      <template v-else>
        <label class="field"
          >{{ t('ui.account.yourBenchCode') }}
          <NInput
            v-model:value="code"
            :input-props="{ inputmode: 'numeric', autocomplete: 'off' }"
            autofocus
            placeholder=""
          />
        </label>
        <NButton type="primary" attr-type="submit" :loading="busy" :disabled="!code">{{
          t('ui.common.signIn')
        }}</NButton>
        <NButton @click="askInstructor">{{ t('ui.account.iHaveNoCodeAsk') }}</NButton>
      </template>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <NButton quaternary @click="back">{{ t('ui.account.iAmSomebodyElse') }}</NButton>
    </form>
    <p class="quiet other mt-22px">
      <RouterLink :to="{ name: 'sign-in' }">{{ t('ui.account.signInWithAPassword') }}</RouterLink>
    </p>
  </DoorFrame>
</template>
