<script setup lang="ts">
import { t, tell } from '../../words'
import { parts, type AnyPart } from '../../../core/parts'
import { symbolOf, type SymbolState } from '../../schematic/symbols'

/** Every symbol in every state that it can be drawn in: for whoever reads a drawing, and whoever adds one. */
interface Drawn {
  readonly caption: string
  readonly symbol: string
  readonly state: SymbolState
}

const rest: SymbolState = { detached: false }
function statesOf(part: AnyPart): Drawn[] {
  const passes = part.passes ?? [{ symbol: part.symbol, caption: '' as const }]
  return passes.flatMap(({ symbol, caption }) => {
    const states: [string, SymbolState][] = [[t('ui.handbook.atRest'), rest]]
    if (part.positions ?? part.closes) states.push([t('ui.handbook.closed'), { ...rest, closed: true }])
    if (part.notice?.all.some((notice) => notice.pulled))
      states.push([t('ui.handbook.pulledIn'), { ...rest, pulled: true }])
    if (part.detach) states.push([tell(part.detach.done), { detached: true }])
    return states.map(([name, state]) => ({
      caption: [caption && tell(caption), name].filter(Boolean).join(', '),
      symbol,
      state,
    }))
  })
}
const groups = parts.map((part) => ({ part, drawn: statesOf(part) }))
const kindOf = ({ heavy, filled, partial }: { heavy?: boolean; filled?: boolean; partial?: boolean }) => ({
  stroke: true,
  heavy,
  filled,
  partial,
})
</script>

<template>
  <div class="gallery">
    <section
      v-for="{ part, drawn } in groups"
      :key="part.kind"
      class="flex flex-wrap gap-y-6px gap-x-14px pt-8px px-0 pb-14px line-t"
    >
      <h3 class="basis-full">{{ tell(part.title) }}</h3>
      <figure v-for="(one, i) in drawn" :key="i">
        <svg
          class="symbol"
          width="110"
          height="130"
          viewBox="-55 -12 110 130"
          role="img"
          :aria-label="one.caption"
        >
          <path
            v-for="(stroke, n) in symbolOf(one.symbol).draw(symbolOf(one.symbol).length, one.state)"
            :key="n"
            :d="stroke.d"
            :transform="stroke.dy ? `translate(0 ${stroke.dy})` : undefined"
            :class="kindOf(stroke)"
          />
          <circle
            v-for="(share, n) in symbolOf(one.symbol).terminals"
            :key="'t' + n"
            cx="0"
            :cy="share * symbolOf(one.symbol).length"
            r="2.4"
            class="stroke filled"
          />
        </svg>
        <figcaption class="text-12px text-quiet text-center">{{ one.caption }}</figcaption>
      </figure>
    </section>
  </div>
</template>

<style scoped>
.stroke {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.heavy {
  stroke-width: 3.6;
}
.partial {
  stroke-dasharray: 5 3.5;
}
.filled {
  fill: var(--ink);
}
figure {
  margin: 0;
  width: 120px;
}
@media print {
  .gallery {
    columns: 3;
    column-gap: 24px;
  }
  section {
    break-inside: avoid;
  }
  figure {
    width: 84px;
  }
  .symbol {
    width: 84px;
    height: 99px;
  }
}
</style>
