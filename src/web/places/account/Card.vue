<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { cardPeopleSchema, type CardPeople } from '../../../contract/days'
import { messageOf, send } from '../../api/client'
import { useSession } from '../../stores/session'
import DoorFrame from './DoorFrame.vue'

/** From the QR code on a bench: the word of the day, then one’s own name. */
const { params } = useRoute()
const router = useRouter()
const session = useSession()
const word = ref('')
const wrong = ref('')
const found = ref<CardPeople | null>(null)
const card = () => ({ day: String(params.day), stand: Number(params.stand), word: word.value })

async function look() {
  wrong.value = ''
  try {
    found.value = await send(cardPeopleSchema, '/card', card())
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
async function enter(person: string) {
  wrong.value = ''
  try {
    await session.signInByCard({ ...card(), person })
    await router.push('/')
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <DoorFrame :title="found ? found.stand : t('At the bench')">
    <form v-if="!found" @submit.prevent="look">
      <label class="field"
        >{{ t('Word of the day') }}
        <NInput
          v-model:value="word"
          :input-props="{ autocapitalize: 'none', autocomplete: 'off', spellcheck: false }"
          autofocus
          placeholder=""
        />
      </label>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <NButton type="primary" attr-type="submit">{{ t('Who stands here?') }}</NButton>
      <p class="quiet">{{ t('Your instructor has it on the board.') }}</p>
    </form>
    <div v-else class="who">
      <p>{{ t('{day}. Who are you?', { day: found.day }) }}</p>
      <NButton v-for="one in found.people" :key="one.id" size="large" @click="enter(one.id)">{{
        one.name
      }}</NButton>
      <p v-if="!found.people.length">{{ t('Nobody stands here today.') }}</p>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    </div>
    <p class="quiet">
      <RouterLink :to="{ name: 'sign-in' }">{{ t('Sign in with a password instead') }}</RouterLink>
    </p>
  </DoorFrame>
</template>

<style scoped>
form,
.who {
  display: grid;
  gap: 14px;
}
</style>
