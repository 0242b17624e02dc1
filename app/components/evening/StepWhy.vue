<script setup lang="ts">
import type { Push } from '../../../core/reasons';
import { useSteps } from '../../composables/useSteps';
import { useTimes } from '../../composables/useTimes';
import { useReasons } from '../../stores/reasons';

/** Why a step stands where it does: what it pushes against on either side, and how far it can go. */
const props = defineProps<{ step: string }>();
const emit = defineEmits<{ choose: [step: string] }>();
const reasons = useReasons();
const steps = useSteps();
const times = useTimes();

watch(
  () => [props.step, reasons.whys.size] as const,
  ([step, size]) => {
    if (size > 0 && reasons.rooms?.step !== step) reasons.askRoom(step);
  },
  { immediate: true },
);

const why = computed(() => reasons.whys.get(props.step));
const sides = computed(() => {
  if (!why.value) return [];
  const { start, earlier, later } = why.value;
  const side = (name: string, push: Push, by: number) => ({
    name,
    room: by,
    until: push.until,
    reasons: push.obstacles.map(steps.reason),
    cost: Object.entries(push.cost)
      .filter(([, points]) => Math.abs(points) >= 0.05)
      .map(([term, points]) => steps.words.value.term(term as 'wait', points)),
  });
  return [side('Not earlier', earlier, start - earlier.until), side('Not later', later, later.until - start)];
});
const rooms = computed(() => {
  const start = why.value?.start;
  if (start === undefined || reasons.rooms?.step !== props.step) return [];
  return reasons.rooms.rooms.map(({ rise, earliest, latest }) => {
    const early = earliest < start ? `as early as ${times.clockSince(earliest, start)}` : 'no earlier';
    const late = latest > start ? `as late as ${times.clockSince(latest, start)}` : 'no later';
    return { rise, text: earliest < latest ? `${early}, ${late}` : 'at no other time that was found' };
  });
});
</script>

<template>
  <section class="why" aria-labelledby="why-title">
    <h3 id="why-title">Why then?</h3>
    <p v-if="!why" class="soft">Looking ...</p>
    <div v-for="side in sides" :key="side.name" class="side">
      <p>
        <strong>{{ side.name }}</strong>
        <template v-if="side.room > 0">
          than {{ times.clockSince(side.until, why!.start) }}, all else as it is</template
        >
        <template v-else> by a minute, all else as it is</template>:
      </p>
      <ul>
        <li v-for="(reason, k) in side.reasons" :key="k">
          <button v-if="reason.step" class="link-button" @click="emit('choose', reason.step)">
            {{ reason.text }}
          </button>
          <template v-else>{{ reason.text }}</template>
        </li>
        <li v-if="side.reasons.length === 0">nothing is in the way</li>
        <li v-if="side.room > 0 && side.cost.length">every minute costs: {{ side.cost.join(', ') }}</li>
      </ul>
    </div>
    <template v-if="why">
      <p v-if="reasons.isLooking" class="soft" role="status">Trying how far it can go ...</p>
      <p v-for="room in rooms" :key="room.rise">
        If the evening may be {{ room.rise }} {{ room.rise === 1 ? 'point' : 'points' }} worse:
        {{ room.text }}.
      </p>
    </template>
  </section>
</template>

<style scoped>
.why,
.side {
  display: grid;
  gap: 0.35rem;
}

ul {
  display: grid;
  gap: 0.3rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  padding-left: 0.6rem;
  border-left: 3px solid var(--line);
}

h3 {
  font-size: 1rem;
}
</style>
