<script setup lang="ts">
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { ref, watch } from 'vue'
import { leastPassword, userSchema, type User } from '../../../contract/account'
import { studentsPageSchema } from '../../../contract/people'
import { ask, messageOf, send } from '../../api/client'
import MoreRows from '../../parts/MoreRows.vue'
import { useScope } from '../../stores/scope'

const scope = useScope()
const students = ref<User[]>([])
const count = ref(0)
const after = ref<string | null>(null)
const adding = ref(false)
const name = ref('')
const login = ref('')
const password = ref('')
const wrong = ref('')
const said = (error: unknown) => void (wrong.value = messageOf(error))
async function read(from: string | null) {
  const query = new URLSearchParams(scope.query)
  if (from !== null) query.set('after', from)
  const page = await ask(studentsPageSchema, `/students/page?${query.toString()}`)
  students.value = from === null ? page.rows : [...students.value, ...page.rows]
  count.value = page.count
  after.value = page.after
}
await scope.load()
await read(null)
watch(
  () => scope.query,
  () => void read(null).catch(said),
)

async function add() {
  wrong.value = ''
  try {
    const user = await send(userSchema, '/students', {
      name: name.value,
      login: login.value.trim(),
      password: password.value,
    })
    students.value = [...students.value, user]
    count.value++
    name.value = login.value = password.value = ''
    adding.value = false
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
</script>

<template>
  <section>
    <h2>{{ scope.people ? scope.about : t('ui.home.students') }}</h2>
    <p v-if="!students.length">{{ t('ui.home.noStudentsYetAddThe') }}</p>
    <ul>
      <li v-for="student in students" :key="student.id">
        {{ student.name }} <span class="quiet">{{ student.login }}</span>
      </li>
    </ul>
    <MoreRows :shown="students.length" :count="count" @more="read(after).catch(said)" />
    <NButton v-if="!adding" size="small" @click="adding = true"> {{ t('ui.home.addAStudent') }} </NButton>
    <form v-else @submit.prevent="add">
      <label class="field"
        >{{ t('ui.common.name') }}<NInput v-model:value="name" size="small" placeholder=""
      /></label>
      <label class="field"
        >{{ t('ui.common.signInName') }}<NInput v-model:value="login" size="small" placeholder=""
      /></label>
      <label class="field"
        >{{ t('ui.home.firstPasswordAtLeastCharacters', { leastPassword })
        }}<NInput
          v-model:value="password"
          size="small"
          type="password"
          :input-props="{ autocomplete: 'new-password' }"
          placeholder=""
      /></label>
      <p v-if="wrong" class="wrong" role="alert">
        {{ wrong }}
      </p>
      <NButton size="small" type="primary" attr-type="submit"> {{ t('ui.common.add') }} </NButton>
    </form>
  </section>
</template>
