<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Circuit, Wiring } from '../../core/circuit'
import { partOfKind } from '../../core/parts'
import { walkPaths } from '../../core/readings'
import { layOut, type PlacedPart } from './layout'
import { firstLine, labelLines, mostLines, noticeLines } from './label'
import { strokesOf } from './strokes'
import { voltageRamp } from '../theme/tokens'
import { useView } from './useView'

const props = withDefaults(
  defineProps<{
    circuit: Circuit
    wiring: Wiring
    /** Text beside each point, by node. */
    values?: ReadonlyMap<number, string>
    /** Share of the supply at each node, 0 to 1: tints the point. */
    tint?: ReadonlyMap<number, number>
    lit?: string | null
    controls?: Readonly<Record<string, string>>
    detached?: readonly string[]
    struck?: ReadonlySet<string>
    ringed?: ReadonlySet<string>
    red?: string
    black?: string
    /** What a part shows: bright, dim, dark. */
    notices?: Readonly<Record<string, { key: string; text: string }>>
    partsAct?: boolean
    pointsAct?: boolean
    /** Amps through each part, by id: shown beside it. */
    amps?: Readonly<Record<string, string>>
  }>(),
  {
    values: () => new Map(),
    tint: () => new Map(),
    lit: null,
    controls: () => ({}),
    detached: () => [],
    struck: () => new Set(),
    ringed: () => new Set(),
    red: '',
    black: '',
    notices: () => ({}),
    partsAct: false,
    pointsAct: false,
    amps: () => ({}),
  },
)
const emit = defineEmits<{ part: [id: string]; point: [name: string]; hover: [id: string | null] }>()

const layout = computed(() => layOut(props.circuit, props.wiring))
const frame = ref<HTMLElement | null>(null)
const view = useView(
  frame,
  computed(() => ({ width: layout.value.width, height: layout.value.height })),
)
const { style, partial, far, dragged } = view

/** Over this many parts only what is near the view is kept in the page. */
const large = 160
const near = computed(() => (layout.value.parts.length > large ? view.held.value : undefined))
const isNear = (x: number, y: number, length = 0) => {
  const held = near.value
  return !held || (x > held.left && x < held.right && y + length > held.top && y < held.foot)
}
const points = computed(() => layout.value.points.filter(({ x, y }) => isNear(x, y)))
const tags = computed(() => layout.value.tags.filter(({ x, y }) => isNear(x, y)))

/** Shows a part that may lie outside the view. */
function showPart(id: string) {
  const placed = layout.value.parts.find((p) => p.id === id)
  if (placed) view.show({ x: placed.x, y: placed.y + (placed.direction === 'down' ? placed.length / 2 : 0) })
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
  const placed = layout.value.points.find(({ point }) => point.name === name)
  if (placed) view.show(placed)
}

function arrow(event: KeyboardEvent) {
  const way = { ArrowLeft: [60, 0], ArrowRight: [-60, 0], ArrowUp: [0, 60], ArrowDown: [0, -60] }[event.key]
  if (way) view.move(way[0]!, way[1]!)
  else if (event.key === '+') view.zoom(1.25)
  else if (event.key === '-') view.zoom(0.8)
  else if (event.key === '0') view.fit()
  else return
  event.preventDefault()
}

/** What carries current back, parts and lines: drawn in another ink and weight than what feeds. */
const returns = computed(() => {
  const parts = new Map<string, boolean>()
  const nodes = new Map<number, boolean>()
  const see = <K,>(seen: Map<K, boolean>, key: K, back: boolean) =>
    seen.set(key, (seen.get(key) ?? true) && back)
  for (const { strides } of walkPaths(props.circuit, props.wiring))
    for (const { part, side, to } of strides) {
      see(parts, part, side === 'return')
      see(nodes, to.node, side !== 'feed')
    }
  return { parts, nodes }
})

const turn = { down: 0, left: 90, right: -90 }

/** What the parts show at all times; only what is shown beside it changes while one measures. */
const still = computed(() => {
  const parts = new Map(props.circuit.parts.map((p) => [p.id, p]))
  return layout.value.parts.map((placed) => {
    const part = parts.get(placed.id)!
    const definition = partOfKind(placed.kind)
    const lines = labelLines(part, placed)
    const wire = placed.kind === 'wire'
    return {
      placed,
      definition,
      wire,
      title: `${placed.id} ${part.name || definition.title}`,
      lines,
      back: returns.value.parts.get(placed.id) === true,
      transform: `translate(${placed.x} ${placed.y}) rotate(${turn[placed.direction]})`,
      box: boxOf(placed),
      reach: reachOf(placed),
      top: firstLine(placed, mostLines(part, placed)),
    }
  })
})

const drawn = computed(() =>
  still.value
    .filter(({ placed: { x, y, length } }) => isNear(x, y, length))
    .map((part) => {
      const { placed, definition } = part
      const detached = props.detached.includes(placed.id)
      const notice = props.notices[placed.id]
      const position = positionOf(placed, props.controls[placed.id] ?? definition.positions?.[0])
      const pulled = ['clicks', 'cranks', 'slow'].includes(notice?.key ?? '')
      const struck = props.struck.has(placed.id)
      const ringed = props.ringed.has(placed.id)
      // Along the rails it is the same amps, and no room for them.
      const flow =
        placed.direction === 'down' && definition.role !== 'source' ? props.amps[placed.id] : undefined
      return {
        part,
        // What is out has no values to look at: its word takes their line.
        lines: detached ? part.lines.slice(0, 2) : part.lines,
        off: detached ? (definition.detach?.done ?? '') : '',
        notice: notice ? noticeLines(notice.text) : [],
        flow,
        struck,
        ringed,
        strokes: () => strokesOf(placed, { pulled, position, detached }),
        // All that shows of it, so that what has not changed is not drawn anew.
        sign: `${part.lines.join('|')} ${part.back} ${detached} ${notice?.text} ${flow} ${position} ${pulled} ${struck} ${ringed}`,
      }
    }),
)

/** A key switch is drawn contact by contact: each is closed in some of its positions. */
function positionOf({ kind, caption }: PlacedPart, position: string | undefined): string | undefined {
  if (kind !== 'keySwitch') return position
  const closed: Record<string, readonly string[]> = {
    '30–15': ['run', 'crank'],
    '30–50': ['crank'],
    '30–75': ['accessory', 'run'],
  }
  return closed[caption]?.includes(position ?? '') ? 'closed' : 'open'
}

/** What can be hit with a pointer, and where marks are drawn. */
function boxOf({ x, y, direction, length, kind }: PlacedPart) {
  const inset = Math.min(6, length * 0.12)
  // Round a wire it stays clear of the names of its ends; its label can be hit as well.
  const half = kind === 'wire' ? 10 : 20
  if (direction === 'down') return { x: x - half, y: y + inset, width: 2 * half, height: length - 2 * inset }
  return {
    x: (direction === 'left' ? x - length : x) + inset,
    y: y - 15,
    width: length - 2 * inset,
    height: 30,
  }
}

/** The label can be hit as well as the symbol: easier on a tablet. */
function reachOf({ x, y, direction, length, label }: PlacedPart) {
  if (direction === 'down') return { x: x - 150, y, width: 150, height: length }
  return {
    x: label.x - length / 2,
    y: Math.min(label.y - 12, y),
    width: length,
    height: Math.abs(label.y - y) + 30,
  }
}

/** A short stroke across the middle, clear of the names beside it. */
function strikeOf({ x, y, width, height }: ReturnType<typeof boxOf>): string {
  const cx = x + width / 2
  const cy = y + height / 2
  return `M${cx - 15} ${cy + 9}L${cx + 15} ${cy - 9}`
}

function colour(node: number): string {
  const share = props.tint.get(node)
  if (share === undefined) return 'var(--sheet)'
  return voltageRamp[
    Math.max(0, Math.min(voltageRamp.length - 1, Math.round(share * (voltageRamp.length - 1))))
  ]!
}
</script>

<template>
  <div
    ref="frame"
    class="frame"
    @wheel.prevent="view.wheel"
    @pointerdown="view.press"
    @pointermove="view.drag"
    @keydown="arrow"
    @focusin="follow"
  >
    <svg
      class="schematic"
      :class="{ far, dragged }"
      :viewBox="`0 0 ${layout.width} ${layout.height}`"
      :style="style"
      role="group"
      :aria-label="`Schematic: ${circuit.name}`"
    >
      <g v-for="tag in tags" :key="`${tag.at}${tag.x} ${tag.y}`" class="tag">
        <path
          :d="
            tag.at === 'top'
              ? `M${tag.x} ${tag.y - 14}V${tag.y}M${tag.x - 4} ${tag.y - 8}L${tag.x} ${tag.y - 1}L${tag.x + 4} ${tag.y - 8}`
              : `M${tag.x} ${tag.y}V${tag.y + 12}M${tag.x - 4} ${tag.y + 6}L${tag.x} ${tag.y + 13}L${tag.x + 4} ${tag.y + 6}`
          "
          class="stroke"
        />
        <text :x="tag.x" :y="tag.at === 'top' ? tag.y - 19 : tag.y + 27" text-anchor="middle">
          {{ tag.name }}
        </text>
      </g>
      <path
        v-for="link in layout.links"
        :key="link.d"
        :d="link.d"
        class="stroke"
        :class="{ back: returns.nodes.get(link.node) }"
      />
      <g
        v-for="{ part, lines, strokes, off, notice, flow, struck: out, ringed: ring, sign } in drawn"
        :key="part.placed.key"
        v-memo="[part.placed, sign, lit === part.placed.id, partsAct]"
        class="part"
        :class="{ lit: lit === part.placed.id, struck: out, ringed: ring, act: partsAct, back: part.back }"
        :data-part="part.placed.id"
        :role="partsAct ? 'button' : undefined"
        :tabindex="partsAct ? 0 : undefined"
        :aria-label="partsAct ? `${part.title}${out ? ', struck out' : ring ? ', suspect' : ''}` : undefined"
        @click="partsAct && emit('part', part.placed.id)"
        @keydown.enter.prevent="partsAct && emit('part', part.placed.id)"
        @keydown.space.prevent="partsAct && emit('part', part.placed.id)"
        @pointerenter="hover($event, part.placed.id)"
        @pointerleave="hover($event, null)"
      >
        <title v-if="part.lines.some((line) => line.endsWith('…'))">{{ part.title }}</title>
        <rect v-bind="part.reach" class="reach" />
        <rect v-bind="part.box" class="hit" rx="4" />
        <g :transform="part.transform">
          <path
            v-for="(stroke, i) in strokes()"
            :key="i"
            :d="stroke.d"
            :transform="stroke.dy ? `translate(0 ${stroke.dy})` : undefined"
            class="stroke"
            :class="{
              filled: stroke.filled,
              heavy: stroke.heavy,
              partial: stroke.partial && part.placed.caption,
            }"
          />
        </g>
        <ellipse
          v-if="ring"
          :cx="part.box.x + part.box.width / 2"
          :cy="part.box.y + part.box.height / 2"
          :rx="part.placed.direction === 'down' ? 24 : part.box.width / 2"
          :ry="part.placed.direction === 'down' ? part.box.height / 2 + 2 : 15"
          class="ring"
        />
        <path v-if="out" :d="strikeOf(part.box)" class="strike" />
        <text :x="part.placed.label.x" :y="part.top" :text-anchor="part.placed.label.anchor" class="label">
          <tspan
            v-for="(line, i) in lines"
            :key="i"
            :x="part.placed.label.x"
            :dy="i ? 15 : 0"
            :class="{ id: i === 0 && !part.wire, minor: part.wire || i > 1 }"
          >
            {{ line }}
          </tspan>
          <tspan v-if="flow" class="flow" dx="4">→ {{ flow }}</tspan>
          <tspan v-if="off" :x="part.placed.label.x" dy="15" class="out">{{ off }}</tspan>
          <tspan v-for="line in notice" :key="line" :x="part.placed.label.x" dy="15" class="notice">
            {{ line }}
          </tspan>
        </text>
      </g>
      <g
        v-for="{ point, x, y, label } in points"
        :key="point.node"
        v-memo="[
          `${point.name} ${x} ${y} ${label.x} ${label.y} ${values.get(point.node)} ${colour(point.node)}`,
          red === point.name,
          black === point.name,
          pointsAct,
        ]"
        class="point"
        :class="{ act: pointsAct }"
        :data-point="point.name"
        :role="pointsAct ? 'button' : undefined"
        :tabindex="pointsAct ? 0 : undefined"
        :aria-label="pointsAct ? `${point.name}, ${point.title}` : undefined"
        @click="pointsAct && emit('point', point.name)"
        @keydown.enter.prevent="pointsAct && emit('point', point.name)"
        @keydown.space.prevent="pointsAct && emit('point', point.name)"
        @pointerenter="hover($event, point.part)"
        @pointerleave="hover($event, null)"
      >
        <circle :cx="x" :cy="y" r="10" class="hit" />
        <circle :cx="x" :cy="y" r="4" class="dot" :style="{ fill: colour(point.node) }" />
        <text :x="label.x" :y="label.y" :text-anchor="label.anchor" class="name">
          {{ point.name }}
          <tspan
            v-if="values.get(point.node) !== undefined"
            class="value"
            :x="label.anchor === 'middle' ? label.x : undefined"
            :dy="label.anchor === 'middle' ? 15 : 0"
            :dx="label.anchor === 'middle' ? 0 : 7"
          >
            {{ values.get(point.node) }}
          </tspan>
        </text>
        <g v-if="red === point.name" :transform="`translate(${x} ${y})`" class="lead red">
          <path d="M0 0L-17 -12" />
          <rect x="-33" y="-21" width="17" height="17" />
          <text x="-24.5" y="-8.5">R</text>
        </g>
        <g v-if="black === point.name" :transform="`translate(${x} ${y})`" class="lead black">
          <path d="M0 0L-17 12" />
          <circle cx="-25" cy="14" r="9" />
          <text x="-25" y="18">B</text>
        </g>
      </g>
    </svg>
    <div class="zoom" role="group" aria-label="View of the drawing">
      <button type="button" aria-label="Smaller" title="Smaller (−)" @click="view.zoom(0.8)">−</button>
      <button type="button" aria-label="Fit the drawing" title="All of it (0)" @click="view.fit()">
        fit
      </button>
      <button type="button" aria-label="Larger" title="Larger (+)" @click="view.zoom(1.25)">+</button>
      <span v-if="partial" class="more">drag or use the arrows to see the rest</span>
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
.zoom button {
  min-width: 26px;
  min-height: 24px;
}
.more {
  padding: 2px 6px;
  background: var(--sheet);
  color: var(--quiet);
}
.tag text {
  font-family: var(--face-reading);
  font-size: 12px;
  fill: var(--ink);
  font-weight: 600;
}
.schematic {
  position: absolute;
  left: 0;
  top: 0;
  transform-origin: 0 0;
  will-change: transform;
  display: block;
  font-family: var(--face-text);
  font-size: 13px;
}
.dragged {
  pointer-events: none;
}
.far text {
  display: none;
}
.stroke {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.stroke.heavy {
  stroke-width: 3.6;
}
.part.back .stroke,
.stroke.back {
  stroke: var(--quiet);
  stroke-width: 3;
}
.stroke.partial {
  stroke-dasharray: 5 3.5;
}
.stroke.filled {
  fill: var(--ink);
}
.hit,
.reach {
  fill: transparent;
}
.part.lit > .hit {
  fill: var(--accent-soft);
}
.part.lit .stroke {
  stroke: var(--accent);
}
.act {
  cursor: pointer;
}
.act:focus-visible {
  outline: none;
}
.act:focus-visible > .hit {
  stroke: var(--focus);
  stroke-width: 2.5;
}
.label {
  fill: var(--ink);
}
.label .id {
  font-weight: 600;
}
.label .minor {
  fill: var(--quiet);
  font-size: 12px;
}
.label .flow {
  fill: var(--accent);
  font-family: var(--face-readings);
  font-size: 12px;
}
.label .out {
  fill: var(--doubt);
  font-weight: 500;
}
.label .notice {
  fill: var(--accent);
  font-weight: 500;
}
.dot {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.name {
  fill: var(--quiet);
  font-family: var(--face-readings);
  font-size: 12px;
}
.value {
  fill: var(--ink);
}
.ring {
  fill: none;
  stroke: var(--fault);
  stroke-width: 2.2;
  stroke-dasharray: 7 3;
}
.strike {
  stroke: var(--ink);
  stroke-width: 4;
}
.part.struck .label {
  text-decoration: line-through;
  fill: var(--quiet);
}
.lead path {
  stroke-width: 3;
  stroke: currentcolor;
}
.lead rect,
.lead circle {
  fill: currentcolor;
}
.lead text {
  fill: var(--sheet);
  font-size: 12px;
  font-weight: 600;
  text-anchor: middle;
}
.lead.red {
  color: var(--lead-red);
}
.lead.black {
  color: var(--lead-black);
}
</style>
