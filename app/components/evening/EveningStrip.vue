<script setup lang="ts">
import { useElementSize, useEventListener, useMediaQuery, useWindowSize } from '@vueuse/core';
import { minuteAt, yOf } from '../../../core/strip';
import { isTyping } from '../../composables/isTyping';
import { useCooks } from '../../composables/useCooks';
import { useStrip } from '../../composables/useStrip';
import { STRIP_DRAG, useStripDrag } from '../../composables/useStripDrag';
import { useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';
import { useStripLook } from '../../stores/strip';

const chosen = defineModel<string | null>('chosen', { required: true });
const store = useDinner();
const look = useStripLook();
const times = useTimes();
const cooks = useCooks();
const route = useRoute();
const frame = useTemplateRef<HTMLElement>('frame');
const body = useTemplateRef<HTMLElement>('body');
const { width } = useElementSize(frame);
const isTouch = useMediaQuery('(pointer: coarse)');

const evening = computed(() => store.evening!);
const isWhole = computed(() => look.look === 'whole');
const perMinute = computed(() => look.perMinute);
const { height: windowHeight } = useWindowSize();
const { layout, columns, sides, panes } = useStrip(evening, {
  width,
  perMinute,
  isWhole,
  isTouch,
  windowHeight,
});
const scale = computed(() => layout.value.scale);
const drag = useStripDrag(scale);
provide(STRIP_DRAG, drag);
const hasLoad = computed(() => look.hasLoad && columns.value.hasRoomForLoad);
/** Where there is room for one cook only: the one whose lines are wanted, else the first. */
const shown = computed(() => {
  const { hands } = layout.value;
  if (!columns.value.oneCook) return layout.value;
  const one = hands.find((column) => column.cook.id === look.whose) ?? hands[0]!;
  return { ...layout.value, hands: [one] };
});

/** Height of what stays at the top of the window. */
const TOP = 190;
const topOf = () => body.value?.getBoundingClientRect().top ?? 0;
/** The scale as it is drawn, which is not yet the one that was just asked for. */
let drawn = scale.value;
const inWindow = (minute: number) => topOf() + yOf(drawn, minute);

function tellView(): void {
  if (isWhole.value || !body.value) {
    look.inView = null;
    return;
  }
  const top = topOf();
  look.inView = {
    from: minuteAt(scale.value, Math.max(0, TOP - top)),
    to: minuteAt(scale.value, Math.max(0, window.innerHeight - top)),
  };
}
let frameAsked = 0;
function tellViewSoon(): void {
  frameAsked ||= requestAnimationFrame(() => {
    frameAsked = 0;
    tellView();
  });
}
useEventListener('scroll', tellViewSoon, { passive: true });
useEventListener('resize', tellViewSoon);
watch(scale, () => nextTick(tellView), { immediate: true, flush: 'post' });
onBeforeUnmount(() => {
  cancelAnimationFrame(frameAsked);
  look.inView = null;
});

function scrollTo(minute: number, isAtOnce: boolean): void {
  const isCalm = isAtOnce || window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  window.scrollBy({ top: inWindow(minute) - TOP - 30, behavior: isCalm ? 'auto' : 'smooth' });
}
watch(
  () => route.query.at,
  async (at) => {
    if (at === undefined || at === null) return;
    await nextTick();
    scrollTo(Number(at), false);
  },
  { immediate: true },
);
watch(
  () => look.asked,
  (asked) => asked && scrollTo(asked.minute, true),
);

/** The minute that stays where it is: the chosen step's where that is in view, else what is in the middle. */
function anchor(): number {
  const held = chosen.value ? evening.value.plan.steps.find((s) => s.step === chosen.value) : undefined;
  const at = held ? inWindow(held.start) : 0;
  if (held && at > TOP && at < window.innerHeight) return held.start;
  return minuteAt(drawn, Math.max(0, (TOP + window.innerHeight) / 2 - topOf()));
}
// Whatever changes the scale (zoom, a panel beside the strip, another plan), what is looked at stays in place.
watch(
  scale,
  () => {
    const isScrolled = window.scrollY > 0;
    const minute = anchor();
    const before = inWindow(minute);
    drawn = scale.value;
    if (isScrolled && !isWhole.value) window.scrollBy(0, inWindow(minute) - before);
  },
  { flush: 'post' },
);

useEventListener('keydown', (event: KeyboardEvent) => {
  if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event)) return;
  if (event.key === '+' || event.key === '=') look.zoomBy(1);
  else if (event.key === '-') look.zoomBy(-1);
});

function choose(step: string | null): void {
  if (drag.isJustMoved()) return;
  chosen.value = step === chosen.value ? null : step;
}
</script>

<template>
  <section ref="frame" class="strip-frame" aria-label="The evening, from top to bottom">
    <div
      v-if="!isWhole"
      class="heads"
      :class="{ narrow: columns.isNarrow }"
      :style="{ paddingLeft: `${columns.gutter}px` }"
    >
      <h2 :style="{ flex: `0 0 ${sides.heat}px` }">
        <span :class="{ 'visually-hidden': columns.isNarrow }">Heat</span>
      </h2>
      <h2
        v-for="column in shown.hands"
        :key="column.cook.id"
        class="cook-head"
        :style="{ '--cook': cooks.paint(column.cook.id) }"
      >
        Hands: {{ column.cook.name }}
      </h2>
      <el-button
        v-for="column in columns.oneCook
          ? layout.hands.filter((c) => c.cook.id !== shown.hands[0]!.cook.id)
          : []"
        :key="`to ${column.cook.id}`"
        @click="look.set({ whose: column.cook.id })"
        >{{ column.cook.name }}</el-button
      >
      <h2 :style="{ flex: `0 0 ${sides.waiting}px` }">
        <span :class="{ 'visually-hidden': columns.isNarrow }">Waiting</span>
      </h2>
    </div>
    <p v-if="scale.segments[0]" class="day" :style="{ paddingLeft: `${columns.gutter}px` }">
      {{ times.day(scale.segments[0].from) }}
    </p>
    <div ref="body" class="panes">
      <StripPane
        v-for="(pane, k) in panes"
        :key="k"
        class="pane"
        :layout="shown"
        :columns="columns"
        :sides="sides"
        :pane="pane"
        :has-load="hasLoad"
        :chosen="chosen"
        @choose="choose"
      />
    </div>
  </section>
</template>

<style scoped>
.heads {
  position: sticky;
  top: 68px;
  z-index: 6;
  display: flex;
  gap: 12px;
  padding-block: 0.35rem;
  background: var(--paper);
}

.heads.narrow {
  gap: 4px;
}

.cook-head {
  flex: 1 1 0;
  min-width: 0;
  border-bottom: 4px solid var(--cook);
}

h2 {
  font-size: 1.05rem;
}

.day {
  padding-bottom: 0.5rem;
  color: var(--soft);
  font-weight: 600;
}

.panes {
  display: flex;
  gap: 24px;
}

.pane {
  flex: 1 1 0;
  min-width: 0;
}
</style>
