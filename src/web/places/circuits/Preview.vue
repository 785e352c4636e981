<script setup lang="ts">
import { wireUp } from '../../../core/model'
import { type Circuit } from '../../../core/circuit'
import Schematic from '../../schematic/Schematic.vue'

defineProps<{ circuit: Circuit }>()
</script>

<template>
  <Schematic :circuit="circuit" :wiring="wireUp(circuit)" />
</template>
