<script setup lang="ts">
import Fold from '../../parts/Fold.vue'
import { t, tell } from '../../words'

/** How the program comes to what it says of faults and of people. */
defineProps<{ paragraphs: readonly string[]; ideas: readonly string[] }>()
const title = (key: string) => tell({ code: `learning.misbeliefs.${key}.title` })
</script>

<template>
  <div class="grid grid-cols-1 gap-12px">
    <p v-for="(text, i) in paragraphs" :key="i">{{ text }}</p>
    <Fold v-if="ideas.length" :title="t('ui.handbook.allMisbeliefs')">
      <ul>
        <li v-for="key in ideas" :key="key">{{ title(key) }}</li>
      </ul>
    </Fold>
  </div>
</template>
