<script setup lang="ts">
import { t } from '../../words'
import { computed } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { readQuick } from '../../../core/editing'
import { type Circuit } from '../../../core/circuit'
import { parts, partOfKind, type Role } from '../../../core/parts'
import type { Build } from './useBuild'

const props = defineProps<{ circuit: Circuit; build: Build }>()

const heads: readonly (readonly [Role, string])[] = [
  ['protection', t('Protection')],
  ['control', t('Control')],
  ['conductor', t('Conductors')],
  ['connection', t('Joints and sensors')],
  ['load', t('Loads')],
  ['source', t('Sources')],
]
const groups = heads.map(([role, title]) => ({
  title,
  kinds: parts.filter((p) => (p.generates ? 'source' : p.role) === role),
}))

/** Other ways through parts that are here and that no path takes yet: a relay's coil, a starter's windings. */
const passes = computed(() =>
  props.circuit.parts.flatMap((part) => {
    const { benchPairs, title } = partOfKind(part.kind)
    if (!benchPairs || benchPairs.length < 2) return []
    const used = props.circuit.paths.flatMap((p) => p.steps.filter((s) => s.part === part.id))
    const { through } = partOfKind(part.kind)
    return benchPairs
      .filter(
        ([a, b]) =>
          !used.some((s) => [s.enter ?? through[0], s.leave ?? through[1]].some((k) => k === a || k === b)),
      )
      .flatMap(([a, b]) => {
        const read = readQuick(props.circuit, `${part.id}.${a}-${b}`)
        return read.ok
          ? [{ key: `${part.id}${a}`, text: read.shown[0]!, title: part.name || title, items: read.items }]
          : []
      })
  }),
)
</script>

<template>
  <section class="drawer" :aria-label="t('Parts to put in')">
    <section v-if="passes.length">
      <h3>{{ t('Already here, another way through') }}</h3>
      <div class="kinds">
        <button
          v-for="p in passes"
          :key="p.key"
          class="small"
          type="button"
          :title="t(p.title)"
          @click="build.insert(p.items, `${p.text} put in`)"
        >
          {{ t(p.text) }}
        </button>
      </div>
    </section>
    <section v-for="group in groups" :key="group.title">
      <h3>{{ t(group.title) }}</h3>
      <VueDraggable
        class="kinds"
        :model-value="[...group.kinds]"
        :group="{ name: 'parts', pull: 'clone', put: false }"
        :sort="false"
      >
        <button
          v-for="kind in group.kinds"
          :key="kind.kind"
          class="small"
          type="button"
          :data-kind="kind.kind"
          @click="build.insertKind(kind.kind)"
        >
          {{ t(kind.title) }}
        </button>
      </VueDraggable>
    </section>
    <p class="quiet">{{ t('A click puts it in at the mark; or drag it between two parts of the path.') }}</p>
  </section>
</template>

<style scoped>
.drawer {
  display: grid;
  gap: 8px;
  font-size: 13px;
}
h3 {
  font-size: 12px;
  color: var(--quiet);
  font-weight: 500;
  margin-bottom: 3px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
</style>
