<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { NDropdown } from 'naive-ui'
import { computed } from 'vue'
import type { Code } from '../../../core/document'
import { findPart } from '../../../core/model'
import type { Circuit, CircuitState } from '../../../core/circuit'
import { partOfKind, positionName } from '../../../core/parts'
import { t, tell } from '../../words'

/** What can be set of a part where it is drawn: its positions; whether it is pulled or unplugged. */
const props = defineProps<{ circuit: Circuit; state: CircuitState }>()
const emit = defineEmits<{ change: [state: CircuitState] }>()
/** The part that was pressed; none where no menu is open. */
const part = defineModel<string | null>('part', { required: true })

const verbs: Partial<Record<Code, string>> = {
  'parts.pull': t('ui.bench.pull'),
  'parts.unplug': t('ui.bench.unplug'),
  'parts.lift': t('ui.bench.lift'),
}
const definition = computed(() => {
  const found = part.value === null ? undefined : findPart(props.circuit, part.value)
  return found && partOfKind(found.kind)
})
const options = computed(() => {
  const [id, kind] = [part.value, definition.value]
  if (id === null || !kind) return []
  const at = props.state.controls[id] ?? kind.positions?.[0]
  const out = props.state.detached.includes(id)
  return [
    ...(kind.positions ?? []).map((position) => ({
      key: `to ${position}`,
      label: t('ui.bench.setTo', { position: tell(positionName(kind, position)) }),
      disabled: position === at,
    })),
    ...(kind.detach
      ? [
          {
            key: 'detach',
            label: out ? t('ui.bench.putBack') : (verbs[kind.detach.verb] ?? t(kind.detach.verb)),
          },
        ]
      : []),
  ]
})
const place = computed(() => {
  const box =
    part.value && document.querySelector(`[data-part="${part.value}"] .hit`)?.getBoundingClientRect()
  return box ? { x: box.left + box.width / 2, y: box.top + box.height / 2 } : { x: 0, y: 0 }
})
/** It is in nobody’s way: whoever goes elsewhere, or presses Escape, leaves it. */
useEventListener(document, 'focusin', ({ target }) => {
  const at = target instanceof Element ? target.closest('[data-part], .n-dropdown-menu') : null
  if (part.value && at?.getAttribute('data-part') !== part.value && !at?.matches('.n-dropdown-menu'))
    part.value = null
})
useEventListener(document, 'keydown', ({ key }) => {
  if (key === 'Escape') part.value = null
})
function set(key: string) {
  const id = part.value!
  const { controls, detached } = props.state
  emit('change', {
    ...props.state,
    id: 'custom',
    name: t('ui.common.asSet'),
    ...(key === 'detach'
      ? { detached: detached.includes(id) ? detached.filter((one) => one !== id) : [...detached, id] }
      : { controls: { ...controls, [id]: key.slice(3) } }),
  })
  part.value = null
}
</script>

<template>
  <NDropdown
    trigger="manual"
    placement="right"
    size="small"
    :show="part !== null && options.length > 0"
    :x="place.x"
    :y="place.y"
    :options="options"
    @select="set"
    @clickoutside="part = null"
  />
</template>
