<script setup lang="ts">
import { useSession } from '../../stores/session'
import InstructorHome from './InstructorHome.vue'
import StudentHome from './StudentHome.vue'

const session = useSession()
</script>

<template>
  <InstructorHome v-if="session.user?.role === 'instructor'" />
  <StudentHome v-else-if="session.user" />
</template>
