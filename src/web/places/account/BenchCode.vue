<script setup lang="ts">
import { useAct } from '../../api/useAct'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { benchCodeSchema } from '../../../contract/account'
import { send } from '../../api/client'
import { t } from '../../words'

const { wrong, act } = useAct()

/** A student's own code for signing in at a bench. */
const code = ref('')
async function make() {
  await act(async () => {
    code.value = (await send(benchCodeSchema, '/bench-code')).code
  })
}
</script>

<template>
  <section class="grid grid-cols-1 gap-10px justify-items-start" aria-labelledby="bench-code">
    <h2 id="bench-code">{{ t('ui.account.yourBenchCode') }}</h2>
    <p class="quiet">
      {{ t('ui.account.sixDigitsThatYouType') }}
    </p>
    <p v-if="code" role="status">
      {{ t('ui.account.yourNewCodeIsShown') }} <code class="code">{{ code }}</code>
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <NButton @click="make">{{ t('ui.account.makeANewBenchCode') }}</NButton>
  </section>
</template>

<style scoped>
.code {
  font-family: var(--face-readings);
  font-weight: 500;
  font-size: 20px;
  letter-spacing: 0.1em;
}
</style>
