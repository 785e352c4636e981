<script setup lang="ts">
import { NAutoComplete, NButton, NDynamicTags } from 'naive-ui'
import { ref } from 'vue'
import type { CircuitList } from '../../../contract/lists'
import { post } from '../../api/client'
import { useAct } from '../../api/useAct'
import Dialog from '../../shell/Dialog.vue'
import { t } from '../../words'

/** Which folder a circuit lies in, and its tags. */
const props = defineProps<{ row: CircuitList[number]; folders: readonly string[] }>()
const emit = defineEmits<{ moved: []; close: [] }>()
const { busy, wrong, act } = useAct()
const folder = ref(props.row.folder)
const tags = ref([...props.row.tags])

const move = () =>
  act(async () => {
    await post(`/circuits/${props.row.id}/shelf`, { folder: folder.value.trim(), tags: tags.value }, 'PUT')
    emit('moved')
    emit('close')
  })
</script>

<template>
  <Dialog show :title="t('ui.circuits.moveName', { name: row.name })" @update:show="emit('close')">
    <form
      class="grid gap-12px"
      :aria-label="t('ui.circuits.moveName', { name: row.name })"
      @submit.prevent="move"
    >
      <label class="field"
        >{{ t('ui.home.folderSuchAsALesson') }}
        <NAutoComplete
          v-model:value="folder"
          clearable
          :options="folders.filter((f) => f && f.toLowerCase().includes(folder.toLowerCase()))"
          :get-show="() => true"
      /></label>
      <div class="field">
        {{ t('ui.home.tags') }}
        <NDynamicTags v-model:value="tags" :max="12" :input-props="{ maxlength: 30 }" />
      </div>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <div>
        <NButton type="primary" attr-type="submit" :loading="busy">{{ t('ui.circuits.saveFolder') }}</NButton>
      </div>
    </form>
  </Dialog>
</template>
