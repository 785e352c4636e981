<script setup lang="ts">
import { t } from '../../words'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { z } from 'zod'
import { courseSchema, type Course } from '../../../contract'
import { ask, messageOf, post } from '../../api/client'
import { download } from '../../parts/download'
import MoreRows from '../../parts/MoreRows.vue'
import { when } from '../../parts/when'
import { faultWords, type LedgerStudent } from './useLedger'

/** One student’s course, and what a student may ask of the school: all that is kept, and to be forgotten. */
const props = defineProps<{ student: LedgerStudent }>()
const emit = defineEmits<{ gone: [] }>()
const course = ref<Course['rows']>([])
const count = ref(0)
const after = ref<string | null>(null)
const wrong = ref('')
const erasing = ref(false)
const said = (error: unknown) => void (wrong.value = messageOf(error))
const read = (query = '') =>
  ask(courseSchema, `/ledger/${props.student.id}${query}`).then((page) => {
    course.value = [...course.value, ...page.rows]
    count.value = page.count
    after.value = page.after
  }, said)
void read()
const more = () => void read(`?after=${encodeURIComponent(after.value!)}`)
async function save() {
  await ask(z.unknown(), `/ledger/${props.student.id}/export`).then(
    (all) => download(`${props.student.name}.json`, 'application/json', JSON.stringify(all, null, 2)),
    said,
  )
}
async function erase() {
  await post(`/ledger/${props.student.id}/erased`).then(() => emit('gone'), said)
}
</script>

<template>
  <section class="course" :aria-label="t('ui.ledger.oneStudentsCourse')">
    <h2>{{ student.name }}</h2>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p v-if="!course.length">{{ t('ui.ledger.noFinishedWorkYet') }}</p>
    <table v-else class="data">
      <thead>
        <tr>
          <th scope="col">{{ t('ui.common.when') }}</th>
          <th scope="col">{{ t('ui.common.circuit') }}</th>
          <th scope="col">{{ t('ui.common.fault') }}</th>
          <th scope="col" class="num">{{ t('ui.ledger.readings') }}</th>
          <th scope="col" class="num">{{ t('ui.common.mark') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in course" :key="one.id">
          <td>
            <RouterLink :to="{ name: 'review', params: { id: one.id } }">{{ when(one.at) }}</RouterLink>
          </td>
          <td>{{ one.circuit }}</td>
          <td>{{ one.right ? '' : t('ui.ledger.notFound') }}{{ faultWords(one.fault) }}</td>
          <td class="num">{{ one.tests }}</td>
          <td class="num">{{ Math.round(one.total) }}</td>
        </tr>
      </tbody>
    </table>
    <MoreRows :shown="course.length" :count="count" @more="more" />
    <div class="acts">
      <NButton size="small" @click="save">{{
        t('ui.ledger.allThatIsKeptOf', { name: student.name })
      }}</NButton>
      <template v-if="erasing">
        <span>{{ t('ui.ledger.nameSignInAnswersAnd') }}</span>
        <NButton size="small" type="error" @click="erase">{{ t('ui.ledger.forgetTheName') }}</NButton>
        <NButton size="small" quaternary @click="erasing = false">{{ t('ui.common.leaveIt') }}</NButton>
      </template>
      <NButton v-else size="small" @click="erasing = true">{{ t('ui.ledger.forgetTheNameAsks') }}</NButton>
    </div>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  align-content: start;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
@media print {
  .acts {
    display: none;
  }
}
</style>
