<script setup lang="ts">
import ChooseFile from '../../parts/ChooseFile.vue'
import Dialog from '../../shell/Dialog.vue'
import { quoted, t, tell } from '../../words'
import { NButton } from 'naive-ui'
import { useEventListener } from '@vueuse/core'
import { defineAsyncComponent, ref } from 'vue'
import { useRouter } from 'vue-router'
import { madeSchema } from '../../../contract/lists'
import { say, type Problem, type Words } from '../../../core/document'
import type { Circuit } from '../../../core/circuit'
import { messageOf, RequestFailure, send } from '../../api/client'

/** Drawing and reading bring the engine: they come when there is a file. */
const Preview = defineAsyncComponent(() => import('./Preview.vue'))

const router = useRouter()
const problems = ref<readonly Problem[]>([])
const failed = ref('')
const ready = ref<{ circuit: Circuit; from: Words; open: readonly Problem[] } | null>(null)
const over = ref(false)

async function take(file: File | undefined) {
  if (!file) return
  problems.value = []
  ready.value = null
  failed.value = ''
  const { readFile } = await import('./readFile')
  const read = await readFile(file)
  if (read.ok) ready.value = read
  else {
    failed.value = tell(say('school.fileNotTakenIn', { file: file.name }))
    problems.value = read.problems
  }
}
// A file may be dropped anywhere on the page.
useEventListener(document, 'dragover', (event: DragEvent) => {
  if (!event.dataTransfer?.types.includes('Files')) return
  event.preventDefault()
  over.value = true
})
useEventListener(document, 'dragleave', (event: DragEvent) => {
  if (!event.relatedTarget) over.value = false
})
useEventListener(document, 'drop', (event: DragEvent) => {
  if (!event.dataTransfer?.files.length) return
  event.preventDefault()
  over.value = false
  void take(event.dataTransfer.files[0])
})

async function bringIn() {
  if (!ready.value) return
  try {
    const stored = await send(madeSchema, '/circuits', ready.value.circuit)
    ready.value = null
    await router.push({ name: 'bench', params: { id: stored.id } })
  } catch (error) {
    ready.value = null
    failed.value = messageOf(error)
    problems.value = error instanceof RequestFailure ? error.problems : []
  }
}
</script>

<template>
  <div class="grid grid-cols-1 gap-8px justify-items-start">
    <ChooseFile
      :label="t('ui.home.importACircuit')"
      accept=".json,.cir,.net,.sp,application/json"
      @files="([file]) => take(file)"
    />
    <div v-if="over" class="drop" aria-hidden="true">
      {{ t('ui.home.dropItACircuitFile') }}
    </div>
    <Dialog
      :show="!!ready"
      :width="900"
      :title="ready ? quoted(ready.circuit.name) : ''"
      @update:show="ready = null"
    >
      <template v-if="ready">
        <p>
          {{
            t('ui.home.fromAPartsPathS', {
              from: tell(ready.from),
              count: ready.circuit.parts.length,
              count2: ready.circuit.paths.length,
              count3: ready.circuit.states.length,
            })
          }}
        </p>
        <ul v-if="ready.open.length" class="caution my-4px mx-0 pl-18px">
          <li v-for="(problem, i) in ready.open.slice(0, 6)" :key="i">
            {{ t('ui.home.itCanBeFinishedOn', { problem: tell(problem) }) }}
          </li>
        </ul>
        <div class="picture h-[min(420px,46vh)] my-10px mx-0 line"><Preview :circuit="ready.circuit" /></div>
        <div class="acts flex gap-8px">
          <NButton size="small" type="primary" @click="bringIn"> {{ t('ui.home.takeItIn') }} </NButton>
          <NButton size="small" @click="ready = null"> {{ t('ui.common.leaveIt') }} </NButton>
        </div>
      </template>
    </Dialog>
    <div v-if="failed" class="wrong" role="alert">
      <p>{{ failed }}</p>
      <ul class="my-4px mx-0 pl-18px">
        <li v-for="(problem, i) in problems.slice(0, 8)" :key="i">
          <code class="font-readings text-12px">{{ problem.where }}</code>: {{ tell(problem) }}
        </li>
      </ul>
      <p v-if="problems.length > 8">{{ t('ui.common.andMore', { x: problems.length - 8 }) }}</p>
    </div>
  </div>
</template>

<style></style>
<style scoped>
.drop {
  position: fixed;
  inset: 12px;
  z-index: 50;
  display: grid;
  place-items: center;
  font-size: 22px;
  background: color-mix(in srgb, var(--paper) 88%, transparent);
  border: 2px dashed var(--accent);
  pointer-events: none;
}
</style>
