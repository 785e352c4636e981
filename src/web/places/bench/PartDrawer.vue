<script setup lang="ts">
import { NButton } from 'naive-ui'
import { say } from '../../../core/document'
import { t, tell } from '../../words'
import { computed, ref } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { readQuick } from '../../../core/editing'
import { type Circuit } from '../../../core/circuit'
import { parts, partOfKind, type Role } from '../../../core/parts'
import PartSymbol from '../../schematic/PartSymbol.vue'
import Search from '../../parts/Search.vue'
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
const wanted = ref('')
const groups = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean)
  return heads
    .map(([role, title]) => ({
      title,
      kinds: parts.filter(
        (p) =>
          (p.generates ? 'source' : p.role) === role &&
          words.every((word) => `${tell(p.title)} ${title}`.toLowerCase().includes(word)),
      ),
    }))
    .filter(({ kinds }) => kinds.length)
})

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
  <section class="drawer grid grid-cols-1 gap-8px text-13px" :aria-label="t('ui.bench.partsToPutIn')">
    <Search v-model="wanted" :label="t('ui.bench.findAKindOfPart')" />
    <section v-if="passes.length && !wanted">
      <h3 class="text-12px text-quiet font-medium mb-3px">
        {{ t('ui.bench.alreadyHereAnotherWayThrough') }}
      </h3>
      <div class="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-4px">
        <NButton
          v-for="p in passes"
          :key="p.key"
          size="small"
          :title="p.title"
          @click="build.insert(p.items, say('ui.bench.putInOf', { text: p.text }))"
        >
          {{ p.text }}
        </NButton>
      </div>
    </section>
    <section v-for="group in groups" :key="group.title">
      <h3 class="text-12px text-quiet font-medium mb-3px">{{ group.title }}</h3>
      <VueDraggable
        class="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-4px"
        :model-value="[...group.kinds]"
        :group="{ name: 'parts', pull: 'clone', put: false }"
        :sort="false"
      >
        <NButton
          v-for="kind in group.kinds"
          :key="kind.kind"
          size="small"
          :data-kind="kind.kind"
          class="kind h-36px justify-start"
          @click="build.insertKind(kind.kind)"
        >
          <template #icon><PartSymbol :kind="kind.kind" /></template>
          {{ tell(kind.title) }}
        </NButton>
      </VueDraggable>
    </section>
    <p class="quiet">{{ t('ui.bench.aClickPutsItIn') }}</p>
  </section>
</template>

<style scoped>
.kind :deep(.n-button__icon) {
  width: 34px;
  height: 34px;
  margin-right: 6px;
}
</style>
