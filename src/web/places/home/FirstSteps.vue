<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { z } from 'zod'
import { userSchema } from '../../../contract/account'
import { madeSchema, type CircuitList } from '../../../contract/lists'
import { ask, messageOf, send } from '../../api/client'
import { useSession } from '../../stores/session'
import { t } from '../../words'

/**
 * The first five minutes of a school: a circuit near to one of theirs, a fault, somebody to hand it to. It goes by itself
 * with the first order, and for good when somebody says so: it stands beside what it speaks of, and never in the way.
 */
const props = defineProps<{ circuits: CircuitList }>()
const router = useRouter()
const session = useSession()
const skipped = useLocalStorage(`brachyon.first-steps.${session.user?.id ?? ''}`, false)
const wrong = ref('')
const students = ref(0)
void ask(z.array(userSchema), '/students').then(
  (list) => (students.value = list.length),
  () => undefined,
)

/** A template for each trade, by what its workshop would say. */
const trades = [
  { file: 'sweeper-work-lamp', text: t('Lamp, 12 V') },
  { file: 'gritter-spinner-lights', text: t('Lamps, 24 V') },
  { file: 'van-cooling-fan', text: t('Relay and fan, 12 V') },
  { file: 'gritter-spinner', text: t('Relay and motor, 24 V') },
  { file: 'van-starting', text: t('Starting') },
  { file: 'van-charging', text: t('Charging') },
  { file: 'van-key-off-drain', text: t('Key-off drain') },
]
const first = computed(() => props.circuits[0])
async function take(file: string) {
  wrong.value = ''
  try {
    const { id } = await send(madeSchema, `/templates/${file}`)
    await router.push({ name: 'bench', params: { id } })
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <section v-if="!skipped" class="first" :aria-label="t('First steps')">
    <header>
      <h2>{{ t('First steps') }}</h2>
      <NButton size="small" quaternary @click="skipped = true">{{ t('Not again') }}</NButton>
    </header>
    <ol>
      <li :class="{ done: circuits.length }">
        <h3>{{ t('A circuit near to one of yours') }}</h3>
        <p class="quiet">
          {{ t('It is a copy of your own: change what you like. States, values and points come with it.') }}
        </p>
        <div class="trades">
          <NButton v-for="one in trades" :key="one.file" size="small" @click="take(one.file)">{{
            one.text
          }}</NButton>
        </div>
      </li>
      <li>
        <h3>{{ t('A fault in it') }}</h3>
        <p class="quiet">
          {{ t('Press a part: the fault gets the least size that a driver would notice.') }}
        </p>
        <RouterLink v-if="first" :to="{ name: 'plant', params: { id: first.id } }">{{
          t('Plant one in {name}', { name: first.name })
        }}</RouterLink>
      </li>
      <li :class="{ done: students }">
        <h3>{{ t('Somebody to hand it to') }}</h3>
        <p class="quiet">{{ t('A student, a class from a list, or yourself to try it.') }}</p>
        <RouterLink :to="{ name: 'classes' }">{{ t('Take in a class') }}</RouterLink>
      </li>
      <li>
        <h3>{{ t('Hand it out, and see how they reason') }}</h3>
        <p class="quiet">
          {{ t('Below the fault on Plant. Finished work waits here for its review, step by step.') }}
        </p>
      </li>
    </ol>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.first {
  display: grid;
  gap: 10px;
  padding: 14px 18px;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
ol {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 14px 28px;
  margin: 0;
  padding-left: 18px;
}
li {
  padding-left: 4px;
}
li.done::marker {
  content: '✓ ';
  color: var(--good);
}
li > * + * {
  margin-top: 5px;
}
.trades {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
</style>
