<script setup lang="ts">
import { useKeys } from '../../keys/useKeys'
import { t } from '../../words'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import {
  circuitListSchema,
  madeSchema,
  templateListSchema,
  type CircuitList,
  type TemplateList,
} from '../../../contract/lists'
import { ask, messageOf, post, send } from '../../api/client'
import { when } from '../../parts/when'
import ImportCircuit from './ImportCircuit.vue'

type Row = CircuitList[number]

const router = useRouter()
const circuits = ref<CircuitList>([])
const templates = ref<TemplateList>([])
const wrong = ref('')
const search = ref('')
const folder = ref<string | null>(null)
const making = ref(false)
const name = ref('')
const volts = ref<12 | 24>(12)
const template = ref('')
const shelving = ref<Row | null>(null)
const shelf = ref({ folder: '', tags: '' })

const load = async () => (circuits.value = await ask(circuitListSchema, '/circuits'))
async function attempt(work: () => Promise<unknown>) {
  wrong.value = ''
  try {
    await work()
  } catch (error) {
    wrong.value = messageOf(error)
  }
}
await attempt(load)

const folders = computed(() => [...new Set(circuits.value.map((c) => c.folder))].sort())
const shown = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return circuits.value.filter(
    (c) =>
      (folder.value === null || c.folder === folder.value) &&
      words.every((w) => [c.name, c.vehicle, c.folder, ...c.tags].some((t) => t.toLowerCase().includes(w))),
  )
})
const groups = computed(() =>
  folders.value
    .map((f) => ({ folder: f, rows: shown.value.filter((c) => c.folder === f) }))
    .filter((g) => g.rows.length),
)

async function begin() {
  making.value = !making.value
  if (making.value && !templates.value.length)
    await attempt(async () => (templates.value = await ask(templateListSchema, '/templates')))
}
async function make() {
  await attempt(async () => {
    const stored = template.value
      ? await send(madeSchema, `/templates/${template.value}`)
      : await send(
          madeSchema,
          '/circuits',
          // The engine is fetched when it is first needed: nobody waits for it to see a list.
          (await import('../../../core/editing')).emptyCircuit(
            name.value.trim() || t('New circuit'),
            volts.value,
          ),
        )
    if (template.value && name.value.trim())
      await post(`/circuits/${stored.id}/edits`, {
        revision: stored.revision,
        edit: { type: 'rename', name: name.value.trim() },
      })
    await router.push({ name: 'bench', params: { id: stored.id } })
  })
}
async function copy(row: Row) {
  await attempt(async () => {
    await send(madeSchema, `/circuits/${row.id}/copy`)
    await load()
  })
}
function putAway(row: Row) {
  shelving.value = row
  shelf.value = { folder: row.folder, tags: row.tags.join(', ') }
}
async function shelve() {
  const row = shelving.value
  if (!row) return
  await attempt(async () => {
    const tags = shelf.value.tags
      .split(',')
      .map((t) => t.trim())
      .filter(Boolean)
    await post(`/circuits/${row.id}/shelf`, { folder: shelf.value.folder, tags }, 'PUT')
    shelving.value = null
    await load()
  })
}
async function remove() {
  const row = shelving.value
  if (
    !row ||
    !window.confirm(
      t('Take “{name}” out of the library? Work orders keep their own copy.', { name: row.name }),
    )
  )
    return
  await attempt(async () => {
    await post(`/circuits/${row.id}`, undefined, 'DELETE')
    shelving.value = null
    await load()
  })
}
const finder = ref<HTMLInputElement | null>(null)
useKeys(t('Today'), [{ press: ['/'], what: t('find a circuit'), act: () => finder.value?.focus() }])
</script>

<template>
  <section class="circuits">
    <div class="head">
      <h2>{{ t('Circuits') }}</h2>
      <NButton size="small" type="primary" @click="begin">{{ t('New circuit …') }}</NButton>
      <ImportCircuit />
      <span class="gap" />
      <input
        ref="finder"
        v-model="search"
        class="plain"
        type="search"
        :aria-label="t('Search circuits')"
        :placeholder="t('Search name, vehicle, tag')"
      />
      <select v-model="folder" :aria-label="t('Folder')">
        <option :value="null">{{ t('all folders') }}</option>
        <option v-for="f in folders" :key="f" :value="f">{{ f || t('not in a folder') }}</option>
      </select>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <form v-if="making" class="new" :aria-label="t('New circuit')" @submit.prevent="make">
      <label class="field"
        >{{ t('Name') }}
        <NInput v-model:value="name" size="small" :placeholder="t('Cooling fan of my van')" autofocus
      /></label>
      <label class="field"
        >{{ t('Start from') }}
        <select v-model="template">
          <option value="">{{ t('an empty bench') }}</option>
          <option v-for="one in templates" :key="one.file" :value="one.file">
            {{ t(one.name) }} ({{ t(one.vehicle) }})
          </option>
        </select></label
      >
      <label v-if="!template" class="field"
        >{{ t('System') }}
        <select v-model.number="volts">
          <option :value="12">12 V</option>
          <option :value="24">24 V</option>
        </select></label
      >
      <NButton size="small" type="primary" attr-type="submit">{{ t('Open on the Bench') }}</NButton>
    </form>
    <p v-if="!circuits.length">
      {{ t('No circuit yet. Make a new one, start from a template, or import one.') }}
    </p>
    <p v-else-if="!shown.length">{{ t('Nothing here matches “{search}”.', { search }) }}</p>
    <table v-else class="data" :aria-label="t('Circuits')">
      <thead>
        <tr>
          <th scope="col">{{ t('Circuit') }}</th>
          <th scope="col">{{ t('Vehicle') }}</th>
          <th scope="col">{{ t('Tags') }}</th>
          <th scope="col" class="num">{{ t('Parts') }}</th>
          <th scope="col">{{ t('Changed') }}</th>
          <th scope="col">
            <span class="visually-hidden">{{ t('What to do with it') }}</span>
          </th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group.folder">
        <tr v-if="folders.length > 1">
          <th colspan="6" scope="rowgroup" class="folder">{{ group.folder || t('not in a folder') }}</th>
        </tr>
        <tr v-for="row in group.rows" :key="row.id">
          <td>
            <RouterLink :to="{ name: 'bench', params: { id: row.id } }">{{ row.name }}</RouterLink>
          </td>
          <td>{{ row.vehicle }}</td>
          <td class="quiet">{{ row.tags.join(', ') }}</td>
          <td class="num">{{ row.parts }}</td>
          <td class="date">{{ when(row.updated) }}</td>
          <td class="acts">
            <button type="button" :aria-label="t('Double {name}', { name: row.name })" @click="copy(row)">
              {{ t('double') }}
            </button>
            <button
              type="button"
              :aria-label="t('Put {name} in a folder', { name: row.name })"
              @click="putAway(row)"
            >
              {{ t('file …') }}
            </button>
          </td>
        </tr>
        <tr v-if="shelving && group.rows.includes(shelving)">
          <td colspan="6">
            <form
              class="new"
              :aria-label="t('File {name}', { name: shelving.name })"
              @submit.prevent="shelve"
            >
              <label class="field"
                >{{ t('Folder, such as a lesson') }}
                <NInput v-model:value="shelf.folder" size="small" placeholder=""
              /></label>
              <label class="field"
                >{{ t('Tags, with commas') }} <NInput v-model:value="shelf.tags" size="small" placeholder=""
              /></label>
              <NButton size="small" type="primary" attr-type="submit">{{ t('File it') }}</NButton>
              <NButton size="small" @click="shelving = null">{{ t('Leave it') }}</NButton>
              <NButton size="small" quaternary @click="remove">{{
                t('Take it out of the library …')
              }}</NButton>
            </form>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.circuits {
  display: grid;
  gap: 10px;
  align-content: start;
}
.head,
.new {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
}
.head {
  align-items: center;
}
.gap {
  flex: 1;
}
.new {
  padding: 8px 0;
}
.folder {
  font-weight: 500;
  color: var(--ink);
  padding-top: 10px;
  border-bottom-width: 1px;
}
.date {
  white-space: nowrap;
}
.acts {
  white-space: nowrap;
  text-align: right;
}
.acts button {
  font: inherit;
  font-size: 12.5px;
  border: 0;
  background: none;
  color: var(--accent);
  cursor: pointer;
  min-height: 24px;
}
</style>
