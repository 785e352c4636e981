<script setup lang="ts">
import { useAct } from '../../api/useAct'
import { useLocalStorage } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { z } from 'zod'
import { userSchema } from '../../../contract/account'
import { madeSchema, type CircuitList } from '../../../contract/lists'
import { send } from '../../api/client'
import { useServer } from '../../api/useServer'
import { useSession } from '../../stores/session'
import { t } from '../../words'

const { wrong, act } = useAct()

/**
 * The first five minutes of a school: a circuit near to one of theirs, a fault, somebody to hand it to. It goes by itself
 * with the first order, and for good when somebody says so: it stands beside what it speaks of, and never in the way.
 */
const props = defineProps<{ circuits: CircuitList }>()
const router = useRouter()
const session = useSession()
const skipped = useLocalStorage(`brachyon.first-steps.${session.user?.id ?? ''}`, false)
const { data: students } = useServer(z.array(userSchema), () => '/students')

/** A template for each trade, by what its workshop would say. */
const trades = [
  { file: 'sweeper-work-lamp', text: t('ui.home.lamp12V') },
  { file: 'gritter-spinner-lights', text: t('ui.home.lamps24V') },
  { file: 'van-cooling-fan', text: t('ui.home.relayAndFan12V') },
  { file: 'gritter-spinner', text: t('ui.home.relayAndMotor24V') },
  { file: 'van-starting', text: t('ui.home.starting') },
  { file: 'van-charging', text: t('ui.home.charging') },
  { file: 'van-key-off-drain', text: t('ui.home.keyOffDrain') },
]
const first = computed(() => props.circuits[0])
async function take(file: string) {
  await act(async () => {
    const { id } = await send(madeSchema, `/templates/${file}`)
    await router.push({ name: 'bench', params: { id } })
  })
}
</script>

<template>
  <section
    v-if="!skipped"
    class="first grid gap-10px py-14px px-18px bg-sheet line-rule-strong"
    :aria-label="t('ui.home.firstSteps')"
  >
    <header class="flex justify-between items-center">
      <h2>{{ t('ui.home.firstSteps') }}</h2>
      <NButton size="small" quaternary @click="skipped = true">{{ t('ui.home.notAgain') }}</NButton>
    </header>
    <ol>
      <li class="pl-4px" :class="{ done: circuits.length }">
        <h3>{{ t('ui.home.aCircuitNearToOne') }}</h3>
        <p class="quiet">
          {{ t('ui.home.itIsACopyOf') }}
        </p>
        <div class="flex flex-wrap gap-6px">
          <NButton v-for="one in trades" :key="one.file" size="small" @click="take(one.file)">{{
            one.text
          }}</NButton>
        </div>
      </li>
      <li class="pl-4px">
        <h3>{{ t('ui.home.aFaultInIt') }}</h3>
        <p class="quiet">
          {{ t('ui.home.pressAPartTheFault') }}
        </p>
        <RouterLink v-if="first" :to="{ name: 'plant', params: { id: first.id } }">{{
          t('ui.home.plantOneIn', { name: first.name })
        }}</RouterLink>
      </li>
      <li class="pl-4px" :class="{ done: students?.length }">
        <h3>{{ t('ui.home.somebodyToHandItTo') }}</h3>
        <p class="quiet">{{ t('ui.home.aStudentAClassFrom') }}</p>
        <RouterLink :to="{ name: 'classes' }">{{ t('ui.home.takeInAClass') }}</RouterLink>
      </li>
      <li class="pl-4px">
        <h3>{{ t('ui.home.handItOutAndSee') }}</h3>
        <p class="quiet">
          {{ t('ui.home.belowTheFaultOnPlant') }}
        </p>
      </li>
    </ol>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
ol {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 14px 28px;
  margin: 0;
  padding-left: 18px;
}
li.done::marker {
  content: '✓ ';
  color: var(--good);
}
li > * + * {
  margin-top: 5px;
}
</style>
