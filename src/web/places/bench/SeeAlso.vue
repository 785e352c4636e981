<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { entryTitle } from '../../../core/handbook'
import { tell } from '../../words'

/** Entries of the Handbook that have to do with a part. */
defineProps<{ keys: readonly string[] }>()
</script>

<template>
  <p class="text-12px">
    <template v-for="(key, i) in keys" :key="key"
      >{{ i ? ' · ' : ''
      }}<RouterLink :to="{ name: 'handbook', params: { entry: key } }">{{
        tell(entryTitle(key))
      }}</RouterLink></template
    >
  </p>
</template>
