<script setup lang="ts">
import type { Running } from '../../../core/live';
import { duration, useTimes } from '../../composables/useTimes';
import { useCourses } from '../../composables/useCourses';
import { useClock } from '../../stores/clock';

const props = defineProps<{ item: Running }>();
const clock = useClock();
const times = useTimes();
const courses = useCourses();

const left = computed(() => Math.ceil((props.item.endsAt - clock.now) / 60_000));
const share = computed(() => {
  const whole = props.item.endsAt - props.item.startedAt;
  return whole <= 0 ? 0 : Math.min(1, Math.max(0, (props.item.endsAt - clock.now) / whole));
});
const ROUND = 2 * Math.PI * 20;
</script>

<template>
  <li class="timer" :style="{ '--colour': courses.colour(item.planned.course) }">
    <svg viewBox="0 0 48 48" width="56" height="56" aria-hidden="true">
      <circle cx="24" cy="24" r="20" fill="none" stroke="var(--line)" stroke-width="6" />
      <circle
        cx="24"
        cy="24"
        r="20"
        fill="none"
        stroke="var(--colour)"
        stroke-width="6"
        :stroke-dasharray="`${share * ROUND} ${ROUND}`"
        transform="rotate(-90 24 24)"
      />
    </svg>
    <div>
      <p class="what">{{ item.planned.step.does }}</p>
      <p class="left" :class="{ over: left <= 0 }">
        {{ left > 0 ? `${duration(left)} left` : left === 0 ? 'ready now' : `ready ${duration(-left)} ago` }},
        {{ times.clockAt(item.endsAt) }}
      </p>
      <p v-if="item.atEnd" class="soft">Then: {{ item.atEnd.text }}</p>
    </div>
  </li>
</template>

<style scoped>
.timer {
  display: flex;
  gap: 0.75rem;
  align-items: center;
  padding: 0.5rem 0.75rem;
  border: 1px solid var(--line);
  border-radius: 12px;
  background: var(--card);
}

svg {
  flex: none;
}

.what {
  font-weight: 600;
}

.left {
  font-size: 1.2rem;
}

.over {
  color: var(--warn);
  font-weight: 700;
}
</style>
