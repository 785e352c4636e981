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
    <h2 id="bench-code">{{ t('Your bench code') }}</h2>
    <p class="quiet">
      {{
        t(
          'Six digits that you type at a bench, after the word of the day. Only you know them; a new code replaces the old one.',
        )
      }}
    </p>
    <p v-if="code" role="status">
      {{ t('Your new code is shown once:') }} <code class="code">{{ code }}</code>
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <NButton @click="make">{{ t('Make a new bench code') }}</NButton>
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
