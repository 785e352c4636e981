import { computed, ref, watch, type Ref } from 'vue'
import { useElementSize } from '@vueuse/core'

/** Under this scale names cannot be read: a larger drawing is shown in part, and moved. */
const least = 0.62
const most = 3

/** What part of a drawing is in view: fitted at first, then as it is zoomed and moved. */
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
    scale.value = all ? whole.value : Math.max(whole.value, Math.min(1, least))
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

  let held: { x: number; y: number } | null = null
  function press(event: PointerEvent) {
    if (event.button === 0) held = { x: event.clientX, y: event.clientY }
  }
  function drag(event: PointerEvent) {
    if (!held || event.buttons === 0) return
    const [dx, dy] = [event.clientX - held.x, event.clientY - held.y]
    if (Math.abs(dx) + Math.abs(dy) < 3) return
    held = { x: event.clientX, y: event.clientY }
    move(dx, dy)
  }

  const viewBox = computed(() => {
    const w = width.value / scale.value || size.value.width
    const h = height.value / scale.value || size.value.height
    return `${corner.value.x} ${corner.value.y} ${w} ${h}`
  })
  const partial = computed(() => scale.value > whole.value * 1.01)
  return { viewBox, partial, fit, show, zoom, move, wheel, press, drag }
}
