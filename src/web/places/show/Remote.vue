<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useAct } from '../../api/useAct'
import Choice from '../../parts/Choice.vue'
import { entriesOf } from '../../parts/choice'
import Toggle from '../../parts/Toggle.vue'
import { t } from '../../words'
import { useRemote, type WallAct } from './useWall'

/** In the hand: what is on the wall, and its keys. */
const { connected, walls, chosen, now, press } = useRemote()
const { wrong, act } = useAct()
const push = (what: WallAct) => act(() => press(what))
</script>

<template>
  <div
    class="remote grid grid-rows-[auto_minmax(0,1fr)_auto] gap-14px h-full max-w-520px my-0 mx-auto p-16px"
  >
    <h1>{{ t('ui.show.remote') }}</h1>
    <p v-if="!now" role="status">
      {{ connected ? t('ui.show.nothingOnTheWall') : t('ui.show.noConnectionTryingAgain') }}
    </p>
    <section
      v-else
      class="grid gap-10px content-start"
      :aria-label="t('ui.show.onTheWall')"
      aria-live="polite"
    >
      <Choice
        v-if="walls.size > 1"
        :value="now.wall"
        :label="t('ui.show.whichWall')"
        :entries="
          entriesOf(
            [...walls.values()],
            (one) => one.wall,
            (one) => one.title,
          )
        "
        @update:value="chosen = $event!"
      />
      <p v-else class="quiet">{{ now.title }}</p>
      <p class="text-22px">{{ now.question }}</p>
      <p class="quiet">
        {{ t('ui.show.questionOf', { asked: now.asked, all: now.all }) }}
        <template v-if="now.live">· {{ t('ui.show.answersCount', { count: now.answers }) }}</template>
      </p>
    </section>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <div v-if="now" class="grid grid-cols-2 gap-10px">
      <NButton class="!h-84px" :disabled="now.asked === 0" @click="push('back')">{{
        t('ui.show.back')
      }}</NButton>
      <NButton
        type="primary"
        class="!h-84px"
        :disabled="!now.open && now.asked >= now.all"
        @click="push('next')"
        >{{
          now.open ? t('ui.show.showIt') : now.asked === 0 ? t('ui.show.ask') : t('ui.common.next')
        }}</NButton
      >
      <Toggle size="large" :on="now.healthy" @click="push('healthy')">{{ t('ui.common.healthy') }}</Toggle>
      <Toggle size="large" :on="now.faulted" @click="push('faulted')">{{ t('ui.common.faulted') }}</Toggle>
      <Toggle class="col-span-full" size="large" :on="now.live" @click="push('class')">{{
        t('ui.show.askTheClass')
      }}</Toggle>
    </div>
  </div>
</template>
