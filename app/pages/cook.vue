<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { isTyping } from '../composables/isTyping';
import { useBell } from '../composables/useBell';
import { useHeat } from '../composables/useHeat';
import { duration, longDuration, useTimes } from '../composables/useTimes';
import { useCooks } from '../composables/useCooks';
import { useCourses } from '../composables/useCourses';
import { useClock } from '../stores/clock';
import { useDinner } from '../stores/dinner';
import { usePreferences } from '../stores/preferences';
import { useSession } from '../stores/session';

const store = useDinner();
const heat = useHeat();
const preferences = usePreferences();
const session = useSession();
const clock = useClock();
const times = useTimes();
const courses = useCourses();
const cooks = useCooks();

const view = computed(() => session.view);
const first = computed(() => view.value?.now[0]);
const stepOf = (name: string | null) => {
  const [dishId, stepId] = (name ?? '').split('/');
  return store.dinner?.dishes.find((d) => d.id === dishId)?.steps.find((s) => s.id === stepId);
};
/** What runs by itself and is over its time. */
const overdue = computed(() =>
  (view.value?.running ?? []).filter((r) => r.endsAt <= clock.now).map((r) => r.planned.row.step),
);
useBell(overdue, () => preferences.sounds);

/** Minutes until a minute of the plan; below nothing once it has passed. */
const minutesTo = (minute: number) => Math.round((times.instant(minute) - clock.now) / 60_000);
/** Where nothing is done yet the evening may be days ahead. */
const untilBegun = computed(() =>
  first.value && session.session.done.length === 0 ? minutesTo(first.value.from) : 0,
);
const standing = computed(() => {
  const { isOver, late } = view.value!;
  if (isOver) return 'All is done. Sit down.';
  if (late > 0) return `${duration(late)} behind the plan`;
  return untilBegun.value > 1 ? `Begins in ${longDuration(untilBegun.value)}` : 'On time';
});

function when(minute: number): string {
  const away = minutesTo(minute);
  const isToday = times.day(minute) === times.dayAt(clock.now);
  const at = isToday ? times.clock(minute) : `${times.day(minute)}, ${times.clock(minute)}`;
  if (away === 0) return `${at}, now`;
  return away > 0 ? `${at}, in ${longDuration(away)}` : `${at}, ${longDuration(-away)} ago`;
}

useEventListener('keydown', (event: KeyboardEvent) => {
  if (isTyping(event)) return;
  const isPressed = (event.target as HTMLElement).closest('button, a, label, input');
  if (event.key === ' ' && !isPressed && first.value) {
    event.preventDefault();
    void session.done(first.value.id);
  }
  if (event.key === 'u') void session.undo();
});
useWakeLock()
  .request('screen')
  .catch(() => undefined);
</script>

<template>
  <div v-if="view" class="cook">
    <div class="clock-row">
      <p class="clock"><span class="visually-hidden">The time is </span>{{ times.clockAt(clock.now) }}</p>
      <p
        class="late"
        :class="{ behind: view.late > 0 }"
        role="status"
        :aria-live="untilBegun > 1 ? 'off' : 'polite'"
      >
        {{ standing }}
      </p>
      <RehearsalControls />
    </div>
    <ul class="courses" aria-label="Courses">
      <li v-for="course in view.courses" :key="course.id" :style="{ '--colour': courses.colour(course.id) }">
        <strong>{{ course.name }} {{ times.clockAt(course.expectedAt) }}</strong>
        <span v-if="course.isServed">served</span>
        <span v-else-if="course.expectedAt > course.plannedAt">
          {{ duration(Math.round((course.expectedAt - course.plannedAt) / 60_000)) }} later than planned
        </span>
        <span v-else>holds</span>
      </li>
    </ul>
    <div class="columns">
      <section class="now" aria-labelledby="now-title">
        <h2 id="now-title">Now</h2>
        <article
          v-for="task in view.now"
          :key="task.id"
          class="hand"
          :style="{ '--colour': courses.colour(task.course) }"
        >
          <p v-if="minutesTo(task.from) > 1" class="free">
            Hands free for {{ longDuration(minutesTo(task.from)) }}, then:
          </p>
          <p class="who">
            <span v-if="cooks.hasSeveral.value">{{ cooks.name(task.cook) }} · </span>{{ task.dish }} ·
            {{ when(task.from) }}
          </p>
          <p class="what">{{ task.text }}</p>
          <p v-if="stepOf(task.step)?.cue" class="cue">Done when: {{ stepOf(task.step)?.cue }}</p>
          <p v-if="stepOf(task.step)?.probe" class="cue">
            In the middle: {{ heat.probe(stepOf(task.step)!.probe!) }}
          </p>
          <p v-for="caution in stepOf(task.step)?.cautions ?? []" :key="caution" class="caution">
            {{ caution }}
          </p>
          <button class="done" @click="session.done(task.id)">Done</button>
        </article>
        <p v-if="view.isOver" class="what">The evening is over. Well cooked.</p>
        <div class="after">
          <el-button size="large" :disabled="session.session.done.length === 0" @click="session.undo()"
            >Undo</el-button
          >
          <el-popconfirm
            title="Forget what was done and begin again?"
            confirm-button-text="Begin again"
            width="260"
            @confirm="session.begin()"
          >
            <template #reference>
              <el-button size="large" :disabled="session.session.done.length === 0">Begin again</el-button>
            </template>
          </el-popconfirm>
        </div>
      </section>
      <section aria-labelledby="running-title">
        <h2 id="running-title">Running</h2>
        <ul class="running">
          <RunningTimer v-for="item in view.running" :key="item.planned.row.step" :item="item" />
        </ul>
        <p v-if="view.running.length === 0" class="soft">Nothing runs by itself just now.</p>
      </section>
      <section aria-labelledby="next-title">
        <h2 id="next-title">Next</h2>
        <ol class="next">
          <li v-for="task in view.next" :key="task.id" :style="{ '--colour': courses.colour(task.course) }">
            <time>{{ when(task.from) }}</time>
            <span>{{ task.text }}</span>
          </li>
        </ol>
      </section>
    </div>
  </div>
  <PlanStatus v-else-if="store.isPlanning" />
  <ImpossibleDinner v-else />
</template>

<style scoped>
.cook {
  display: grid;
  gap: 1rem;
  padding: 0.75rem 1.25rem 2rem;
}

.clock-row {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0.5rem 1.5rem;
}

.clock {
  font: 600 2.75rem/1 var(--serif);
}

.late {
  flex: 1;
  font-size: 1.25rem;
}

.behind,
.caution {
  color: var(--warn);
  font-weight: 600;
}

.courses {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.courses li {
  display: grid;
  flex: 1 1 9rem;
  padding: 0.5rem 0.9rem;
  border: 1px solid var(--line);
  border-left: 6px solid var(--colour);
  border-radius: 10px;
  background: var(--card);
  font-size: 1.1rem;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 1.25rem;
}

h2 {
  margin-bottom: 0.5rem;
  font-size: 1.2rem;
}

.hand {
  display: grid;
  gap: 0.5rem;
  margin-bottom: 1rem;
  padding: 1rem 1.25rem;
  border: 1px solid var(--line);
  border-top: 6px solid var(--colour);
  border-radius: 14px;
  background: var(--card);
}

.free {
  font-size: 1.1rem;
  font-weight: 600;
}

.who {
  color: var(--soft);
  font-size: 1.1rem;
}

.what {
  font: 600 2rem/1.2 var(--serif);
}

.cue,
.caution {
  font-size: 1.25rem;
}

.done {
  min-height: 96px;
  border: 0;
  border-radius: 14px;
  background: var(--accent);
  color: var(--accent-ink);
  font-size: 1.9rem;
  font-weight: 700;
  cursor: pointer;
}

.running,
.next {
  display: grid;
  gap: 0.6rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.next li {
  display: grid;
  padding: 0.5rem 0.75rem;
  border-left: 5px solid var(--colour);
  background: var(--card);
  font-size: 1.1rem;
}

.next time {
  color: var(--soft);
  font-size: 1rem;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}

/* What is in hand comes into sight sooner. */
@media (max-width: 600px) {
  .courses li {
    flex-basis: 6.5rem;
    padding: 0.4rem 0.6rem;
    font-size: 1rem;
  }
}
</style>
