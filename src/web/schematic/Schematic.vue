<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useKeys } from '../keys/useKeys'
import { t } from '../words'
import { computed, ref } from 'vue'
import type { Circuit } from '../../core/circuit'
import type { Wiring } from '../../core/model'
import { sceneOf, stillOf, type Marks } from './scene'
import { SceneShapes } from './SceneShapes'
import { useView } from './useView'

const props = withDefaults(
  defineProps<
    Marks & {
      circuit: Circuit
      wiring: Wiring
      partsAct?: boolean
      placesAct?: boolean
      pointsAct?: boolean
      /** Short name of a point that is asked for: it pulses. */
      asked?: string
    }
  >(),
  {
    values: undefined,
    tint: undefined,
    lit: null,
    controls: undefined,
    detached: undefined,
    struck: undefined,
    ringed: undefined,
    held: undefined,
    red: '',
    black: '',
    notices: undefined,
    partsAct: false,
    placesAct: false,
    pointsAct: false,
    asked: '',
    amps: undefined,
  },
)
const emit = defineEmits<{
  part: [id: string]
  point: [name: string]
  /** A measuring place of the harness. */
  place: [id: string]
  hover: [id: string | null]
}>()

/** What the parts show at all times; only what is shown beside it changes while one measures. */
const still = computed(() => stillOf(props.circuit, props.wiring))
const frame = ref<HTMLElement | null>(null)
const view = useView(
  frame,
  computed(() => ({ width: still.value.layout.width, height: still.value.layout.height })),
)
const { style, partial, far, detail, dragged } = view
const scene = computed(() => sceneOf(still.value, props, detail.value))

/** Over this many parts only what is near the view is kept in the page. */
const large = 160
const near = computed(() => (still.value.parts.length > large ? view.held.value : undefined))
const isNear = (x: number, y: number, length = 0) => {
  const held = near.value
  return !held || (x > held.left && x < held.right && y + length > held.top && y < held.foot)
}
const parts = computed(() => scene.value.parts.filter(({ place: { x, y, length } }) => isNear(x, y, length)))
const points = computed(() => scene.value.points.filter(({ x, y }) => isNear(x, y)))
const places = computed(() => scene.value.places.filter(({ x, y }) => isNear(x, y)))
const tags = computed(() => scene.value.tags.filter(({ x = 0, y = 0 }) => isNear(x, y)))

/** Shows a part that may lie outside the view. */
function showPart(id: string) {
  const placed = still.value.layout.parts.find((p) => p.id === id)
  if (placed) view.show({ x: placed.x, y: placed.y + (placed.direction === 'down' ? placed.length / 2 : 0) })
}
/** An end that goes on elsewhere is followed there, and what lies there lights up. */
function goOn(name: string | undefined) {
  const placed = still.value.layout.points.find(({ point }) => point.name === name)
  if (!placed) return
  view.show(placed)
  emit('hover', placed.point.part)
}
defineExpose({ showPart })

/** While the drawing is dragged, what passes under the pointer is not what anybody points at. */
function hover(event: PointerEvent, id: string | null) {
  if (event.buttons === 0) emit('hover', id)
}

/** What takes the focus by the keyboard comes into view; under a pointer that presses it must stay where it is. */
function follow(event: FocusEvent) {
  const target = event.target as Element
  if (!target.matches(':focus-visible')) return
  const part = target.closest<SVGElement>('[data-part]')?.dataset['part']
  if (part) return showPart(part)
  const name = target.closest<SVGElement>('[data-point]')?.dataset['point']
  const placed = still.value.layout.points.find(({ point }) => point.name === name)
  if (placed) view.show(placed)
}

/** Pixels round a finger’s tap in which a point may have been meant: 44 across. */
const finger = 22
/** Points that lie so close that a finger cannot say which: it chooses from their names. */
const close = ref<{ names: string[]; x: number; y: number } | null>(null)
function tapped(event: MouseEvent) {
  if ((event.target as Element).closest('.close, .zoom')) return
  close.value = null
  if (!props.pointsAct || !(event instanceof PointerEvent) || event.pointerType !== 'touch' || !frame.value)
    return
  const names = [...frame.value.querySelectorAll<SVGElement>('[data-point]')].flatMap((element) => {
    const { left, top, width, height } = element.querySelector('.hit')!.getBoundingClientRect()
    const far = Math.hypot(left + width / 2 - event.clientX, top + height / 2 - event.clientY)
    return far <= finger ? [{ name: element.dataset['point']!, far }] : []
  })
  if (names.length < 2) return
  event.stopPropagation()
  const box = frame.value.getBoundingClientRect()
  close.value = {
    names: names.sort((p, q) => p.far - q.far).map(({ name }) => name),
    x: Math.min(event.clientX - box.left, box.width - 120),
    y: Math.min(event.clientY - box.top, box.height - 50 * names.length),
  }
}
function choose(name: string) {
  close.value = null
  emit('point', name)
}

const ways: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [60, 0],
  ArrowRight: [-60, 0],
  ArrowUp: [0, 60],
  ArrowDown: [0, -60],
}
const key = useKeys(
  t('ui.schematic.inADrawing'),
  [
    {
      press: ['Enter', 'Space'],
      what: t('ui.schematic.chooseThePartOrPoint'),
      act: ({ target }) => {
        const figure = (target as Element).closest('.act')
        if (!figure) return false
        figure.dispatchEvent(new MouseEvent('click', { bubbles: true }))
      },
    },
    {
      press: ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'],
      what: t('ui.schematic.lookAround'),
      act: ({ key: way }) => view.move(...ways[way]!),
    },
    { press: ['+'], what: t('ui.schematic.largerAct'), act: () => view.zoom(1.25) },
    { press: ['-'], what: t('ui.schematic.smallerAct'), act: () => view.zoom(0.8) },
    { press: ['0'], what: t('ui.schematic.allOfTheDrawing'), act: () => view.fit() },
  ],
  'own',
)
</script>

<template>
  <div
    ref="frame"
    class="frame"
    @wheel.prevent="view.wheel"
    @pointerdown="view.press"
    @pointermove="view.drag"
    @keydown="key"
    @focusin="follow"
    @click.capture="tapped"
  >
    <svg
      class="schematic"
      :class="{ far, dragged }"
      :viewBox="`0 0 ${scene.width} ${scene.height}`"
      :style="style"
      role="group"
      :aria-label="t('ui.schematic.schematic', { name: circuit.name })"
    >
      <g
        v-for="figure in tags"
        :key="figure.key"
        v-memo="[figure.sign]"
        class="tag act"
        role="button"
        tabindex="0"
        :aria-label="t('ui.schematic.goesOnAt', { on: figure.on })"
        @click="goOn(figure.on)"
      >
        <title>{{ t('ui.schematic.goesOnAtPressTo', { on: figure.on }) }}</title>
        <rect :x="(figure.x ?? 0) - 22" :y="(figure.y ?? 0) - 18" width="44" height="36" class="hit" rx="4" />
        <SceneShapes :shapes="figure.shapes()" />
      </g>
      <g
        v-for="figure in scene.links"
        :key="figure.key"
        v-memo="[figure.sign, figure.back]"
        :class="{ back: figure.back }"
      >
        <SceneShapes :shapes="figure.shapes()" />
      </g>
      <g
        v-for="figure in parts"
        :key="figure.key"
        v-memo="[figure.place, figure.sign, figure.lit, partsAct]"
        class="part"
        :class="{
          lit: figure.lit,
          struck: figure.struck,
          ringed: figure.ringed,
          act: partsAct,
          back: figure.back,
        }"
        :data-part="figure.id"
        :role="partsAct ? 'button' : undefined"
        :tabindex="partsAct ? 0 : undefined"
        :aria-label="
          partsAct
            ? figure.struck
              ? t('ui.schematic.struckOut', { part: figure.title })
              : figure.ringed
                ? t('ui.schematic.suspect', { part: figure.title })
                : figure.title
            : undefined
        "
        @click="partsAct && emit('part', figure.id)"
        @pointerenter="hover($event, figure.id)"
        @pointerleave="hover($event, null)"
      >
        <title v-if="figure.cut">{{ figure.title }}</title>
        <rect v-bind="figure.reach" class="reach" />
        <rect v-bind="figure.box" class="hit" rx="4" />
        <SceneShapes :shapes="figure.shapes()" />
      </g>
      <g
        v-for="figure in places"
        :key="figure.key"
        v-memo="[figure.sign, placesAct]"
        class="point"
        :class="{ act: placesAct }"
        :role="placesAct ? 'button' : undefined"
        :tabindex="placesAct ? 0 : undefined"
        :aria-label="placesAct ? figure.title : undefined"
        :aria-pressed="placesAct ? figure.held : undefined"
        @click="placesAct && emit('place', figure.id)"
      >
        <circle :cx="figure.x" :cy="figure.y" r="12" class="hit" />
        <SceneShapes :shapes="figure.shapes()" />
      </g>
      <g
        v-for="figure in points"
        :key="figure.key"
        v-memo="[figure.sign, pointsAct, figure.name === asked]"
        class="point"
        :class="{ act: pointsAct, asked: figure.name === asked }"
        :data-point="figure.name"
        :role="pointsAct ? 'button' : undefined"
        :tabindex="pointsAct ? 0 : undefined"
        :aria-label="pointsAct ? figure.title : undefined"
        @click="pointsAct && emit('point', figure.name)"
        @pointerenter="hover($event, figure.part)"
        @pointerleave="hover($event, null)"
      >
        <circle :cx="figure.x" :cy="figure.y" r="10" class="hit" />
        <circle v-if="figure.name === asked" :cx="figure.x" :cy="figure.y" r="16" class="pulse" />
        <SceneShapes :shapes="figure.shapes()" />
      </g>
    </svg>
    <div
      v-if="close"
      class="close absolute grid line-rule-strong bg-sheet"
      role="group"
      :aria-label="t('ui.schematic.whichPoint')"
      :style="{ left: `${close.x}px`, top: `${close.y}px` }"
    >
      <NButton v-for="name in close.names" :key="name" quaternary size="large" @click.stop="choose(name)">
        {{ name }}
      </NButton>
    </div>
    <div class="zoom" role="group" :aria-label="t('ui.schematic.viewOfTheDrawing')">
      <NButton
        size="small"
        :aria-label="t('ui.schematic.smaller')"
        :title="t('ui.schematic.smallerKey')"
        @click="view.zoom(0.8)"
      >
        −
      </NButton>
      <NButton
        size="small"
        :aria-label="t('ui.schematic.fitTheDrawing')"
        :title="t('ui.schematic.allOfIt0')"
        @click="view.fit()"
      >
        {{ t('ui.schematic.fit') }}
      </NButton>
      <NButton
        size="small"
        :aria-label="t('ui.schematic.larger')"
        :title="t('ui.schematic.largerKey')"
        @click="view.zoom(1.25)"
      >
        +
      </NButton>
      <span v-if="partial" class="more py-2px px-6px bg-sheet text-quiet">{{
        t('ui.schematic.dragOrUseTheArrows')
      }}</span>
    </div>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  height: 100%;
  /* Not `hidden`: that could still be scrolled by a focus, under the view's feet. */
  overflow: clip;
  contain: layout paint;
  touch-action: none;
}
.zoom {
  position: absolute;
  right: 4px;
  bottom: 4px;
  display: flex;
  gap: 4px;
  flex-direction: row-reverse;
  align-items: center;
  font-size: 12px;
}
/* They stand on the drawing. */
.zoom > .n-button {
  background: var(--sheet);
}
.close button + button {
  border-top: 1px solid var(--rule);
}
.schematic {
  position: absolute;
  left: 0;
  top: 0;
  transform-origin: 0 0;
  /* Letters that have grown against the drawing may reach beyond it. */
  overflow: visible;
  will-change: transform;
}
.dragged {
  pointer-events: none;
}
</style>

<style src="./scene.css"></style>
