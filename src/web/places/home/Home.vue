<script setup lang="ts">
import { useSession } from '../../stores/session'
import { defineAsyncComponent } from 'vue'
import InstructorHome from './InstructorHome.vue'
import StudentHome from './StudentHome.vue'

const OtherComputers = defineAsyncComponent(() => import('./OtherComputers.vue'))

const session = useSession()
</script>

<template>
  <OtherComputers v-if="session.others" />
  <InstructorHome v-if="session.user?.role === 'instructor'" />
  <StudentHome v-else-if="session.user" />
</template>
