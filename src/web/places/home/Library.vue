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
            name.value.trim() || t('ui.home.newCircuitTitle'),
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
  if (!row || !window.confirm(t('ui.home.takeOutOfTheLibrary', { name: row.name }))) return
  await attempt(async () => {
    await post(`/circuits/${row.id}`, undefined, 'DELETE')
    shelving.value = null
    await load()
  })
}
const finder = ref<HTMLInputElement | null>(null)
useKeys(t('ui.common.today'), [
  { press: ['/'], what: t('ui.home.findACircuit'), act: () => finder.value?.focus() },
])
</script>

<template>
  <section class="circuits">
    <div class="head">
      <h2>{{ t('ui.home.circuits') }}</h2>
      <NButton size="small" type="primary" @click="begin">{{ t('ui.home.newCircuit') }}</NButton>
      <ImportCircuit />
      <span class="gap" />
      <input
        ref="finder"
        v-model="search"
        class="plain"
        type="search"
        :aria-label="t('ui.home.searchCircuits')"
        :placeholder="t('ui.home.searchNameVehicleTag')"
      />
      <select v-model="folder" :aria-label="t('ui.home.folder')">
        <option :value="null">{{ t('ui.home.allFolders') }}</option>
        <option v-for="f in folders" :key="f" :value="f">{{ f || t('ui.home.notInAFolder') }}</option>
      </select>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <form v-if="making" class="new" :aria-label="t('ui.home.newCircuitTitle')" @submit.prevent="make">
      <label class="field"
        >{{ t('ui.common.name') }}
        <NInput v-model:value="name" size="small" :placeholder="t('ui.home.coolingFanOfMyVan')" autofocus
      /></label>
      <label class="field"
        >{{ t('ui.home.startFrom') }}
        <select v-model="template">
          <option value="">{{ t('ui.home.anEmptyBench') }}</option>
          <option v-for="one in templates" :key="one.file" :value="one.file">
            {{ one.name }} ({{ one.vehicle }})
          </option>
        </select></label
      >
      <label v-if="!template" class="field"
        >{{ t('ui.home.system') }}
        <select v-model.number="volts">
          <option :value="12">12 V</option>
          <option :value="24">24 V</option>
        </select></label
      >
      <NButton size="small" type="primary" attr-type="submit">{{ t('ui.home.openOnTheBench') }}</NButton>
    </form>
    <p v-if="!circuits.length">
      {{ t('ui.home.noCircuitYetMakeA') }}
    </p>
    <p v-else-if="!shown.length">{{ t('ui.home.nothingHereMatches', { search }) }}</p>
    <table v-else class="data" :aria-label="t('ui.home.circuits')">
      <thead>
        <tr>
          <th scope="col">{{ t('ui.common.circuit') }}</th>
          <th scope="col">{{ t('ui.home.vehicle') }}</th>
          <th scope="col">{{ t('ui.home.tags') }}</th>
          <th scope="col" class="num">{{ t('ui.common.parts') }}</th>
          <th scope="col">{{ t('ui.common.changed') }}</th>
          <th scope="col">
            <span class="visually-hidden">{{ t('ui.common.whatToDoWithIt') }}</span>
          </th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group.folder">
        <tr v-if="folders.length > 1">
          <th colspan="6" scope="rowgroup" class="folder">{{ group.folder || t('ui.home.notInAFolder') }}</th>
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
            <button type="button" :aria-label="t('ui.home.double', { name: row.name })" @click="copy(row)">
              {{ t('ui.common.double') }}
            </button>
            <button
              type="button"
              :aria-label="t('ui.home.putInAFolder', { name: row.name })"
              @click="putAway(row)"
            >
              {{ t('ui.home.file') }}
            </button>
          </td>
        </tr>
        <tr v-if="shelving && group.rows.includes(shelving)">
          <td colspan="6">
            <form
              class="new"
              :aria-label="t('ui.home.fileUnder', { name: shelving.name })"
              @submit.prevent="shelve"
            >
              <label class="field"
                >{{ t('ui.home.folderSuchAsALesson') }}
                <NInput v-model:value="shelf.folder" size="small" placeholder=""
              /></label>
              <label class="field"
                >{{ t('ui.home.tagsWithCommas') }}
                <NInput v-model:value="shelf.tags" size="small" placeholder=""
              /></label>
              <NButton size="small" type="primary" attr-type="submit">{{ t('ui.home.fileIt') }}</NButton>
              <NButton size="small" @click="shelving = null">{{ t('ui.common.leaveIt') }}</NButton>
              <NButton size="small" quaternary @click="remove">{{ t('ui.home.takeItOutOfThe') }}</NButton>
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
