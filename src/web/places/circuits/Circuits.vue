<script setup lang="ts">
import { LayoutGrid, List } from '@lucide/vue'
import { useLocalStorage } from '@vueuse/core'
import { NButton, NCard, NEmpty, NInput, NTag, type InputInst } from 'naive-ui'
import { computed, ref, useTemplateRef } from 'vue'
import { RouterLink } from 'vue-router'
import { circuitListSchema, madeSchema, type CircuitList } from '../../../contract/lists'
import { post, send } from '../../api/client'
import { useAct } from '../../api/useAct'
import { useServer } from '../../api/useServer'
import { useKeys } from '../../keys/useKeys'
import Choice from '../../parts/Choice.vue'
import { entriesOf, type Entry } from '../../parts/choice'
import { byNumber, byText, type Column } from '../../parts/columns'
import DataTable from '../../parts/DataTable.vue'
import { when } from '../../parts/when'
import { t } from '../../words'
import CircuitMenu from './CircuitMenu.vue'
import ImportCircuit from './ImportCircuit.vue'
import MoveCircuit from './MoveCircuit.vue'
import NewCircuit from './NewCircuit.vue'
import Picture from '../../readings/Picture.vue'

/** The school’s circuits: found by name, vehicle, folder or tag, with a small picture of each. */
type Row = CircuitList[number]

const list = useServer(circuitListSchema, () => '/circuits')
await list.ready()
const { wrong, act } = useAct()
const search = ref('')
const folder = ref<string | null>(null)
const tag = ref<string | null>(null)
const asTable = useLocalStorage('brachyon.circuits.table', false)
const making = ref(false)
const moving = ref<Row | null>(null)
/** Deleted, but still to be taken back. */
const leaving = ref(new Set<string>())

const circuits = computed(() => (list.data.value ?? []).filter(({ id }) => !leaving.value.has(id)))
const folders = computed(() =>
  [...new Set(circuits.value.map((c) => c.folder))].sort((a, b) =>
    a === '' ? 1 : b === '' ? -1 : byName(a, b),
  ),
)
const tags = computed(() => [...new Set(circuits.value.flatMap((c) => c.tags))].sort())
const shown = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return circuits.value.filter(
    (c) =>
      (folder.value === null || c.folder === folder.value) &&
      (tag.value === null || c.tags.includes(tag.value)) &&
      words.every((w) => [c.name, c.vehicle, c.folder, ...c.tags].some((s) => s.toLowerCase().includes(w))),
  )
})
const groups = computed(() =>
  folders.value
    .map((name) => ({ name, rows: shown.value.filter((c) => c.folder === name) }))
    .filter(({ rows }) => rows.length),
)
const byName = (a: string, b: string) => a.localeCompare(b, undefined, { numeric: true })
const folderName = (name: string) => name || t('ui.home.notInAFolder')

const folderEntries = computed((): Entry<string | null>[] => [
  { value: null, label: t('ui.home.allFolders') },
  ...entriesOf(folders.value, (f) => f, folderName),
])
const tagEntries = computed((): Entry<string | null>[] => [
  { value: null, label: t('ui.circuits.anyTag') },
  ...entriesOf(
    tags.value,
    (one) => one,
    (one) => one,
  ),
])

const duplicate = (row: Row) =>
  act(async () => {
    await send(madeSchema, `/circuits/${row.id}/copy`)
    await list.again()
  })
async function remove(row: Row) {
  const without = (id: string, gone: boolean) => {
    const now = new Set(leaving.value)
    if (gone) now.add(id)
    else now.delete(id)
    leaving.value = now
  }
  without(row.id, true)
  const { doneWithUndo } = await import('../../shell/notify')
  if (await doneWithUndo(t('ui.circuits.deleted', { name: row.name })))
    await act(async () => {
      await post(`/circuits/${row.id}`, undefined, 'DELETE')
      await list.again()
    })
  without(row.id, false)
}
const columns = computed((): Column<Row>[] => [
  { key: 'name', title: t('ui.common.circuit'), head: true, sort: byText((r) => r.name) },
  { key: 'vehicle', title: t('ui.home.vehicle'), text: (r) => r.vehicle, sort: byText((r) => r.vehicle) },
  { key: 'folder', title: t('ui.home.folder'), text: (r) => r.folder, sort: byText((r) => r.folder) },
  { key: 'tags', title: t('ui.home.tags'), text: (r) => r.tags.join(', '), quiet: true },
  {
    key: 'parts',
    title: t('ui.common.parts'),
    text: (r) => String(r.parts),
    number: true,
    width: 90,
    sort: byNumber((r) => r.parts),
  },
  {
    key: 'changed',
    title: t('ui.common.changed'),
    text: (r) => when(r.updated),
    width: 150,
    sort: byText((r) => r.updated),
  },
  { key: 'acts', title: t('ui.common.actions'), untitled: true, width: 60 },
])

const finder = useTemplateRef<InputInst>('finder')
useKeys(t('ui.circuits.title'), [
  { press: ['/'], what: t('ui.home.findACircuit'), act: () => finder.value?.focus() },
  { press: ['n'], what: t('ui.home.newCircuitTitle'), act: () => void (making.value = true) },
])
</script>

<template>
  <div
    class="circuits grid grid-cols-1 gap-16px content-start max-w-1240px my-0 mx-auto pt-18px px-20px pb-30px"
  >
    <div class="top flex flex-wrap gap-y-8px gap-x-12px items-center">
      <h1>{{ t('ui.circuits.title') }}</h1>
      <NInput
        ref="finder"
        v-model:value="search"
        size="small"
        clearable
        class="find w-230px"
        :placeholder="t('ui.home.searchNameVehicleTag')"
        :input-props="{ type: 'search', 'aria-label': t('ui.home.searchCircuits') }"
      />
      <Choice
        v-if="folders.length > 1"
        v-model:value="folder"
        :label="t('ui.home.folder')"
        labelled="beside"
        :entries="folderEntries"
      />
      <Choice
        v-if="tags.length"
        v-model:value="tag"
        :label="t('ui.circuits.tag')"
        labelled="beside"
        :entries="tagEntries"
      />
      <span class="flex-1" />
      <NButton
        size="small"
        quaternary
        :aria-label="asTable ? t('ui.circuits.asPictures') : t('ui.circuits.asTable')"
        :title="asTable ? t('ui.circuits.asPictures') : t('ui.circuits.asTable')"
        @click="asTable = !asTable"
      >
        <component :is="asTable ? LayoutGrid : List" :size="17" />
      </NButton>
      <ImportCircuit />
      <NButton type="primary" @click="making = true">{{ t('ui.home.newCircuit') }}</NButton>
    </div>
    <p v-if="wrong || list.wrong.value" class="wrong" role="alert">{{ wrong || list.wrong.value }}</p>
    <NEmpty v-if="!circuits.length" :description="t('ui.home.noCircuitYetMakeA')">
      <template #extra
        ><NButton type="primary" @click="making = true">{{ t('ui.home.newCircuit') }}</NButton></template
      >
    </NEmpty>
    <NEmpty v-else-if="!shown.length" :description="t('ui.circuits.noneMatches')" />
    <DataTable
      v-else-if="asTable"
      :label="t('ui.circuits.title')"
      :columns="columns"
      :rows="shown"
      :row-key="(row) => row.id"
    >
      <template #cell-name="{ row }">
        <RouterLink :to="{ name: 'bench', params: { id: row.id } }">{{ row.name }}</RouterLink>
      </template>
      <template #cell-acts="{ row }">
        <CircuitMenu
          :name="row.name"
          @duplicate="duplicate(row)"
          @move="moving = row"
          @delete="remove(row)"
        />
      </template>
    </DataTable>
    <template v-else>
      <section v-for="group in groups" :key="group.name" :aria-label="folderName(group.name)">
        <h2 v-if="folders.length > 1">{{ folderName(group.name) }}</h2>
        <ul>
          <li v-for="row in group.rows" :key="row.id">
            <NCard size="small" hoverable content-style="padding: 0" footer-style="padding: 8px 10px">
              <RouterLink
                :to="{ name: 'bench', params: { id: row.id } }"
                tabindex="-1"
                aria-hidden="true"
                class="block"
              >
                <Picture :id="row.id" :updated="row.updated" />
              </RouterLink>
              <template #footer>
                <div
                  class="foot grid grid-cols-[minmax(0,1fr)_auto] gap-y-2px gap-x-8px items-center line-t my-0 -mx-10px pt-6px px-10px pb-0"
                >
                  <RouterLink class="name font-medium" :to="{ name: 'bench', params: { id: row.id } }">{{
                    row.name
                  }}</RouterLink>
                  <CircuitMenu
                    :name="row.name"
                    @duplicate="duplicate(row)"
                    @move="moving = row"
                    @delete="remove(row)"
                  />
                  <span class="quiet text-12.5px">{{ row.vehicle }}</span>
                  <span class="quiet parts text-right whitespace-nowrap text-12.5px">{{
                    t('ui.circuits.parts', { count: row.parts })
                  }}</span>
                  <span v-if="row.tags.length" class="tags col-span-full flex flex-wrap gap-4px">
                    <NTag v-for="one in row.tags" :key="one" size="small" :bordered="false">{{ one }}</NTag>
                  </span>
                </div>
              </template>
            </NCard>
          </li>
        </ul>
      </section>
    </template>
    <NewCircuit v-model:show="making" />
    <MoveCircuit v-if="moving" :row="moving" :folders="folders" @moved="list.again" @close="moving = null" />
  </div>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  gap: 14px;
  margin: 0;
  padding: 0;
  list-style: none;
}
</style>
