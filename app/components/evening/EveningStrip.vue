<script setup lang="ts">
import { useStrip } from '../../composables/useStrip';
import { duration, useTimes } from '../../composables/useTimes';
import { useCooks } from '../../composables/useCooks';
import { useCourses } from '../../composables/useCourses';
import { useClock } from '../../stores/clock';
import { useDinner } from '../../stores/dinner';

const chosen = defineModel<string | null>('chosen', { required: true });
const store = useDinner();
const clock = useClock();
const times = useTimes();
const courseOf = useCourses();
const cooks = useCooks();
const route = useRoute();
const evening = computed(() => store.evening!);
const { courses, scale, y, hands, ovens, rings, waiting } = useStrip(evening);
const strip = useTemplateRef<HTMLElement>('strip');

const ticks = computed(() =>
  scale.value.segments
    .filter((s) => !s.isFolded)
    .flatMap((s) => {
      const list: number[] = [];
      for (let m = Math.ceil(s.from / 15) * 15; m < s.to; m += 15) list.push(m);
      return list;
    }),
);
const folds = computed(() => scale.value.segments.filter((s) => s.isFolded));
const nowAt = computed(() => {
  const minute = (clock.now - store.zero) / 60_000;
  const segments = scale.value.segments;
  const isInside = minute >= segments[0]!.from && minute <= segments.at(-1)!.to;
  return isInside ? y(minute) : null;
});

function scrollTo(minute: number): void {
  const top = (strip.value?.getBoundingClientRect().top ?? 0) + window.scrollY + y(minute) - 220;
  const isCalm = window.matchMedia('(prefers-reduced-motion: reduce)').matches;
  window.scrollTo({ top, behavior: isCalm ? 'auto' : 'smooth' });
}

watch(
  () => route.query.at,
  async (at) => {
    if (at === undefined || at === null) return;
    await nextTick();
    scrollTo(Number(at));
  },
  { immediate: true },
);

function choose(step: string | null): void {
  chosen.value = step === chosen.value ? null : step;
}
</script>

<template>
  <section class="strip-frame" aria-label="The evening, from top to bottom">
    <div class="heads">
      <h2 class="head-heat">Heat</h2>
      <h2
        v-for="column in hands"
        :key="column.cook.id"
        class="cook-head"
        :style="{ '--cook': cooks.paint(column.cook.id) }"
      >
        Hands: {{ column.cook.name }}
      </h2>
      <h2 class="head-waiting">Waiting</h2>
    </div>
    <p v-if="scale.segments[0]" class="day">{{ times.day(scale.segments[0].from) }}</p>
    <div ref="strip" class="strip" :style="{ height: `${scale.height}px` }">
      <div
        v-for="course in courses"
        :key="`seat-${course.id}`"
        class="seat"
        :style="{ top: `${y(course.serve)}px`, height: `${y(course.up) - y(course.serve)}px` }"
      />
      <span
        v-for="m in ticks"
        :key="m"
        class="tick"
        :class="{ minor: m % 30 !== 0 }"
        :style="{ top: `${y(m)}px` }"
      >
        {{ m % 30 === 0 ? times.clock(m) : '' }}
      </span>
      <StripHeat class="heat" :ovens="ovens" :rings="rings" :y="y" :chosen="chosen" @choose="choose" />
      <StripHands
        v-for="column in hands"
        :key="column.cook.id"
        class="hands"
        :column="column"
        :y="y"
        :chosen="chosen"
        @choose="choose"
      />
      <StripWaiting
        class="waiting"
        :bars="waiting.bars"
        :count="waiting.count"
        :y="y"
        :chosen="chosen"
        @choose="choose"
      />
      <div
        v-for="course in courses"
        :key="course.id"
        class="course"
        :style="{ top: `${y(course.serve)}px`, '--colour': courseOf.colour(course.id) }"
      >
        <strong>{{ course.name }} {{ times.clock(course.serve) }}</strong>
        <span>at the table until {{ times.clock(course.up) }}</span>
      </div>
      <div
        v-for="fold in folds"
        :key="fold.from"
        class="fold"
        :style="{ top: `${fold.top}px`, height: `${fold.height}px` }"
      >
        <span>{{ duration(Math.round(fold.to - fold.from)) }} with nothing to do</span>
        <span v-if="times.day(fold.from) !== times.day(fold.to)" class="next-day">{{
          times.day(fold.to)
        }}</span>
      </div>
      <div v-if="nowAt !== null" class="now" :style="{ top: `${nowAt}px` }"><span>now</span></div>
    </div>
  </section>
</template>

<style scoped>
.strip-frame {
  --gutter: 3.6rem;
  --heat: 12.5rem;
  --waiting: 14.5rem;
}

.heads,
.strip {
  display: flex;
  gap: 0.75rem;
  padding-left: var(--gutter);
}

.heads {
  position: sticky;
  top: 68px;
  z-index: 6;
  padding-block: 0.35rem;
  background: var(--paper);
}

.cook-head {
  border-bottom: 4px solid var(--cook);
}

h2 {
  flex: 1;
  font-size: 1.05rem;
}

.head-heat,
.heat {
  flex: 0 0 var(--heat);
}

.head-waiting,
.waiting {
  flex: 0 0 var(--waiting);
}

.day {
  padding: 0.25rem 0 0.5rem var(--gutter);
  color: var(--soft);
  font-weight: 600;
}

.strip {
  position: relative;
}

.hands {
  flex: 1 1 0;
  min-width: 0;
}

.seat {
  position: absolute;
  inset-inline: 0;
  background: var(--seat);
}

.tick {
  position: absolute;
  left: 0;
  right: 0;
  padding-left: 0.25rem;
  border-top: 1px solid color-mix(in srgb, var(--line) 60%, transparent);
  color: var(--soft);
  font-size: 0.85rem;
  line-height: 1.1;
  pointer-events: none;
}

.minor {
  border-top-style: dotted;
}

.course {
  position: absolute;
  inset-inline: 0;
  z-index: 3;
  padding-left: calc(var(--gutter) + var(--heat) + 2.4rem);
  border-top: 3px solid var(--colour);
  color: var(--colour);
  font-size: 1.05rem;
  line-height: 1.8;
  pointer-events: none;
}

.course span {
  margin-left: 0.75rem;
  color: var(--soft);
  font-size: 0.9rem;
}

.fold {
  position: absolute;
  inset-inline: 0;
  z-index: 4;
  display: flex;
  flex-direction: column;
  justify-content: space-evenly;
  padding-left: var(--gutter);
  border-block: 1px solid var(--line);
  background: repeating-linear-gradient(
    115deg,
    var(--paper) 0 10px,
    color-mix(in srgb, var(--line) 40%, var(--paper)) 10px 12px
  );
  color: var(--soft);
}

.fold span {
  align-self: flex-start;
  padding: 0 0.5rem;
  background: var(--paper);
}

.next-day {
  font-weight: 600;
}

.now {
  position: absolute;
  inset-inline: 0;
  z-index: 5;
  border-top: 2px solid var(--ink);
  pointer-events: none;
}

.now span {
  position: absolute;
  right: 0;
  padding: 0 0.4rem;
  background: var(--ink);
  color: var(--paper);
  font-size: 0.8rem;
}

@media (max-width: 1100px) {
  .strip-frame {
    --heat: 7.5rem;
    --waiting: 8.5rem;
  }
}

@media (max-width: 700px) {
  .strip-frame {
    --gutter: 2.9rem;
    --heat: 0rem;
    --waiting: 0rem;
  }

  .head-heat,
  .head-waiting,
  .heat,
  .waiting {
    display: none;
  }
}
</style>
