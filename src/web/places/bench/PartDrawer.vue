<script setup lang="ts">
import { say } from '../../../core/document'
import { t, tell } from '../../words'
import { computed } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { readQuick } from '../../../core/editing'
import { type Circuit } from '../../../core/circuit'
import { parts, partOfKind, type Role } from '../../../core/parts'
import type { Build } from './useBuild'

const props = defineProps<{ circuit: Circuit; build: Build }>()

const heads: readonly (readonly [Role, string])[] = [
  ['protection', t('ui.bench.protection')],
  ['control', t('ui.bench.control')],
  ['conductor', t('ui.bench.conductors')],
  ['connection', t('ui.bench.jointsAndSensors')],
  ['load', t('ui.bench.loads')],
  ['source', t('ui.bench.sources')],
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
          ? [
              {
                key: `${part.id}${a}`,
                text: tell(read.shown[0]!),
                title: part.name || tell(title),
                items: read.items,
              },
            ]
          : []
      })
  }),
)
</script>

<template>
  <section class="drawer" :aria-label="t('ui.bench.partsToPutIn')">
    <section v-if="passes.length">
      <h3>{{ t('ui.bench.alreadyHereAnotherWayThrough') }}</h3>
      <div class="kinds">
        <button
          v-for="p in passes"
          :key="p.key"
          class="small"
          type="button"
          :title="p.title"
          @click="build.insert(p.items, say('ui.bench.putInOf', { text: p.text }))"
        >
          {{ p.text }}
        </button>
      </div>
    </section>
    <section v-for="group in groups" :key="group.title">
      <h3>{{ group.title }}</h3>
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
          {{ tell(kind.title) }}
        </button>
      </VueDraggable>
    </section>
    <p class="quiet">{{ t('ui.bench.aClickPutsItIn') }}</p>
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
