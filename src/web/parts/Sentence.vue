<script setup lang="ts">
import { computed } from 'vue'
import { piecesOf } from '../words/slots'

/** A whole sentence with something to press or to read in it: what `slot(name)` stands for is drawn by the slot of that name. */
const { text } = defineProps<{ text: string }>()
const pieces = computed(() => piecesOf(text))
</script>

<template>
  <template v-for="(piece, i) in pieces" :key="i"
    ><slot v-if="'slot' in piece" :name="piece.slot" /><template v-else>{{ piece.text }}</template></template
  >
</template>
