import { computed, ref, watch, type Ref } from 'vue'
import { detailAt, leastScale, partScale } from './detail'
import { useElementSize, useEventListener, watchDebounced } from '@vueuse/core'

const most = 3
/** Held beyond each edge of the view, in units of the drawing. */
const spare = 420

/** A rectangle of the drawing, in its own units. */
export interface Window {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly foot: number
}

const everything: Window = { left: -Infinity, right: Infinity, top: -Infinity, foot: Infinity }
const contains = (outer: Window, inner: Window) =>
  outer.left <= inner.left && outer.right >= inner.right && outer.top <= inner.top && outer.foot >= inner.foot
const areaOf = ({ left, right, top, foot }: Window) => (right - left) * (foot - top)

/**
 * What part of a drawing is in view: fitted at first, then as it is zoomed and moved. The drawing is a layer of its own
 * that is moved and stretched as it was painted, and painted anew at its new size once a zoom has come to rest: moving
 * a drawing of some hundred parts then costs no painting at all.
 */
export function useView(frame: Ref<HTMLElement | null>, size: Ref<{ width: number; height: number }>) {
  const { width, height } = useElementSize(frame)
  const scale = ref(1)
  const corner = ref({ x: 0, y: 0 })

  const whole = computed(() =>
    width.value && height.value
      ? Math.min(width.value / size.value.width, height.value / size.value.height)
      : 1,
  )

  function fit(all = true) {
    touched = false
    // A small circuit is not blown up: what is near its own size is read best.
    scale.value = all ? whole.value : whole.value >= leastScale ? Math.min(1.15, whole.value) : partScale
    const shown = { w: width.value / scale.value, h: height.value / scale.value }
    corner.value = {
      x: Math.min(0, (size.value.width - shown.w) / 2),
      y: Math.min(0, (size.value.height - shown.h) / 2),
    }
  }
  // Until somebody has zoomed or moved it, the drawing is fitted anew as it grows; after that a change moves nothing.
  let touched = false
  watch([width, height], () => fit(false), { immediate: true })
  watch([() => size.value.width, () => size.value.height], () => {
    if (!touched) fit(false)
  })

  /** Brings a place of the drawing into view, if it is not. */
  function show(at: { x: number; y: number }) {
    const [w, h] = [width.value / scale.value, height.value / scale.value]
    const { x, y } = corner.value
    if (at.x > x + 40 && at.x < x + w - 40 && at.y > y + 30 && at.y < y + h - 30) return
    corner.value = { x: at.x - w / 2, y: at.y - h / 2 }
  }

  /** Zooms by a factor, keeping the point at a share of the frame where it is. */
  function zoom(factor: number, at = { x: 0.5, y: 0.5 }) {
    touched = true
    const next = Math.min(most, Math.max(whole.value * 0.8, scale.value * factor))
    const grown = 1 / scale.value - 1 / next
    corner.value = {
      x: corner.value.x + grown * width.value * at.x,
      y: corner.value.y + grown * height.value * at.y,
    }
    scale.value = next
  }

  function move(dx: number, dy: number) {
    touched = true
    corner.value = { x: corner.value.x - dx / scale.value, y: corner.value.y - dy / scale.value }
  }

  function wheel(event: WheelEvent) {
    const box = frame.value!.getBoundingClientRect()
    const at = { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height }
    zoom(Math.exp(-event.deltaY / 400), at)
  }

  let grip: { x: number; y: number } | null = null
  /** Fingers on the drawing, by their pointers. */
  const fingers = new Map<number, { x: number; y: number }>()
  function press(event: PointerEvent) {
    if (event.button === 0) grip = { x: event.clientX, y: event.clientY }
    if (event.pointerType === 'touch') fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
  }
  /** Two fingers zoom about the middle between them, and move with it. */
  function pinch(event: PointerEvent): void {
    const spread = () => {
      const [a, b] = [...fingers.values()] as [{ x: number; y: number }, { x: number; y: number }]
      return { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, wide: Math.max(1, Math.hypot(a.x - b.x, a.y - b.y)) }
    }
    const before = spread()
    fingers.set(event.pointerId, { x: event.clientX, y: event.clientY })
    const now = spread()
    const box = frame.value!.getBoundingClientRect()
    dragged.value = true
    move(now.x - before.x, now.y - before.y)
    zoom(now.wide / before.wide, {
      x: (now.x - box.left) / box.width,
      y: (now.y - box.top) / box.height,
    })
  }
  function drag(event: PointerEvent) {
    if (fingers.has(event.pointerId) && fingers.size === 2) return pinch(event)
    if (!grip || event.buttons === 0 || fingers.size > 1) return
    const [dx, dy] = [event.clientX - grip.x, event.clientY - grip.y]
    if (Math.abs(dx) + Math.abs(dy) < 3) return
    grip = { x: event.clientX, y: event.clientY }
    dragged.value = true
    move(dx, dy)
  }
  /** While it is dragged nothing needs to be found under the pointer, which among thousands of strokes takes long. */
  const dragged = ref(false)
  useEventListener(['pointerup', 'pointercancel'], (event: PointerEvent) => {
    fingers.delete(event.pointerId)
    // The finger that stays drags on from where it is.
    const [left] = fingers.values()
    grip = left ? { ...left } : null
    if (left) return
    dragged.value = false
  })

  /** The scale at which the layer was painted. */
  const painted = ref(1)
  watch([width, height, whole], () => (painted.value = scale.value), { flush: 'post' })
  watchDebounced(scale, (now) => (painted.value = now), { debounce: 140 })
  /** Too small for names to be read. */
  const far = computed(() => painted.value < 0.36)
  const detail = computed(() => detailAt(painted.value))
  const style = computed(() => ({
    '--unit': String(1 / painted.value),
    width: `${size.value.width * painted.value}px`,
    height: `${size.value.height * painted.value}px`,
    transform: `translate(${-corner.value.x * scale.value}px, ${-corner.value.y * scale.value}px) scale(${scale.value / painted.value})`,
  }))
  /**
   * What a large drawing needs to hold: more than is in view, and the same until the view leaves it, so that moving
   * about seldom puts parts in and takes others out. Where all is too small to read, all of it.
   */
  const held = computed((before?: Window): Window => {
    if (far.value) return everything
    const { x, y } = corner.value
    const [w, h] = [width.value || size.value.width, height.value || size.value.height]
    const view = { left: x, right: x + w / scale.value, top: y, foot: y + h / scale.value }
    if (before && contains(before, view) && areaOf(before) < 12 * areaOf(view)) return before
    const { left, right, top, foot } = view
    return { left: left - spare, right: right + spare, top: top - spare, foot: foot + spare }
  })
  const partial = computed(() => scale.value > whole.value * 1.01)
  return { style, held, far, detail, dragged, partial, fit, show, zoom, move, wheel, press, drag }
}
