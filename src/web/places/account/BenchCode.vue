<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { benchCodeSchema } from '../../../contract/account'
import { messageOf, send } from '../../api/client'
import { t } from '../../words'

/** A student's own code for signing in at a bench. */
const code = ref('')
const wrong = ref('')
async function make() {
  wrong.value = ''
  try {
    code.value = (await send(benchCodeSchema, '/bench-code')).code
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <section aria-labelledby="bench-code">
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
section {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.code {
  font-family: var(--face-readings);
  font-weight: 500;
  font-size: 20px;
  letter-spacing: 0.1em;
}
</style>
