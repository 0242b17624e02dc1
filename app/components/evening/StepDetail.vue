<script setup lang="ts">
import { afterLinks, hostName } from '../../../core/dinner';
import { plannedSteps } from '../../../core/live';
import { waitingOf } from '../../../core/strip';
import { useHeat } from '../../composables/useHeat';
import { guessesInWords, KEPT_WHERE } from '../../composables/useWords';
import { duration, useTimes } from '../../composables/useTimes';
import { useCourses } from '../../composables/useCourses';
import { useDinner } from '../../stores/dinner';

const props = defineProps<{ step: string }>();
const emit = defineEmits<{ choose: [step: string]; close: [] }>();
const store = useDinner();
const heat = useHeat();
const times = useTimes();
const courses = useCourses();

const steps = computed(() => plannedSteps(store.evening!.dinner, store.evening!.plan));
const planned = computed(() => steps.value.find((s) => s.row.step === props.step));
const KINDS = {
  hands: 'Hands: a cook is at it the whole time',
  minded: 'Minded: looked after at intervals',
  alone: 'Alone: it runs by itself',
};

const before = computed(() => {
  const p = planned.value;
  if (!p) return [];
  const names = new Set(afterLinks(p.placed.dish, p.step).map((l) => l.from));
  const host = hostName(p.placed.dish, p.step);
  if (host) names.add(host);
  return steps.value.filter((s) => names.has(s.row.step));
});
const after = computed(() =>
  steps.value.filter((s) => afterLinks(s.placed.dish, s.step).some((l) => l.from === props.step)),
);
/** What is in the same oven at the same time. */
const together = computed(() => {
  const row = planned.value?.row;
  if (!row?.oven) return '';
  const others = steps.value.filter(
    (s) =>
      s.row.oven === row.oven && s.row.step !== row.step && s.row.start < row.end && row.start < s.row.end,
  );
  return others.map((s) => `${s.step.does.replace(/[.]$/, '')} (${s.placed.dish.name})`).join('; ');
});
/** How long what it makes waits, and still may. */
const waits = computed(() => {
  const { dinner, plan } = store.evening!;
  const waiting = waitingOf(dinner, plan).find((w) => w.step === props.step);
  if (!waiting) return '';
  const { from, to, spoiltAt } = waiting;
  const left = spoiltAt === null ? '' : `; it may until ${times.clockSince(spoiltAt, from)}`;
  return `What it makes waits ${duration(to - from)}, until ${times.clockSince(to, from)}${left}.`;
});
const keeps = computed(() => {
  const limits = planned.value?.as.keeps;
  if (!limits) return '';
  const where = limits.how ? KEPT_WHERE[limits.how] : '';
  if (limits.most === null || limits.most === undefined) return `Keeps ${where}, as long as you like.`;
  const fresh = limits.best > 0 ? `; loses nothing for ${duration(limits.best)}` : '';
  return `Keeps ${where} for ${duration(limits.most)}${fresh}.`;
});
</script>

<template>
  <aside
    v-if="planned"
    class="detail card"
    :style="{ '--colour': courses.colour(planned.course) }"
    aria-labelledby="step-title"
  >
    <div class="top">
      <p class="dish">{{ planned.placed.dish.name }} · {{ courses.name(planned.course) }}</p>
      <el-button aria-label="Close" @click="emit('close')">Close</el-button>
    </div>
    <h2 id="step-title">{{ planned.step.does }}</h2>
    <p class="when">
      {{ times.clockSince(planned.row.start, 0) }} to
      {{ times.clockSince(planned.row.end, planned.row.start) }},
      {{ duration(planned.row.end - planned.row.start) }}
    </p>
    <p class="soft">{{ KINDS[planned.as.attention] }}</p>
    <p v-if="planned.way">Way: {{ planned.way.label }}</p>
    <p v-if="planned.step.if">Only if {{ planned.step.if }}.</p>
    <p v-if="planned.step.cue"><strong>Done when:</strong> {{ planned.step.cue }}</p>
    <p v-if="planned.step.probe"><strong>In the middle:</strong> {{ heat.probe(planned.step.probe) }}</p>
    <ul v-if="planned.step.cautions.length" class="cautions">
      <li v-for="caution in planned.step.cautions" :key="caution">{{ caution }}</li>
    </ul>
    <p v-if="planned.step.note">{{ planned.step.note }}</p>
    <p v-if="keeps">{{ keeps }}</p>
    <p v-if="waits">{{ waits }}</p>
    <p v-if="together">In the oven together with: {{ together }}.</p>
    <p v-if="planned.step.guessed.length" class="soft">
      A guess, stated by nobody: {{ guessesInWords(planned.step.guessed) }}.
    </p>
    <StepWhy :step="step" @choose="(s) => emit('choose', s)" />
    <StepBend :planned="planned" />
    <section
      v-for="[title, list] in [
        ['Waits for', before],
        ['Waits for it', after],
      ] as const"
      :key="title"
    >
      <h3>{{ title }}</h3>
      <ul v-if="list.length" class="links">
        <li v-for="other in list" :key="other.row.step">
          <button class="link-button" @click="emit('choose', other.row.step)">
            {{ times.clockSince(other.row.start, planned.row.start) }} {{ other.step.does }}
          </button>
        </li>
      </ul>
      <p v-else class="soft">{{ title === 'Waits for' ? 'Nothing' : 'Nothing but the plate' }}</p>
    </section>
  </aside>
</template>

<style scoped>
.detail {
  position: sticky;
  top: 84px;
  display: grid;
  gap: 0.6rem;
  align-content: start;
  align-self: start;
  max-height: calc(100vh - 96px);
  overflow-y: auto;
  border-top: 5px solid var(--colour);
}

.top {
  display: flex;
  align-items: start;
  justify-content: space-between;
  gap: 0.5rem;
}

.dish {
  color: var(--colour);
  font-weight: 600;
}

h2 {
  font-size: 1.25rem;
}

h3 {
  font-size: 1rem;
}

.when {
  font-size: 1.1rem;
  font-weight: 600;
}

.cautions {
  margin: 0;
  padding: 0.5rem 0.75rem 0.5rem 1.75rem;
  border-left: 4px solid var(--warn);
  color: var(--warn);
}

.links {
  margin: 0;
  padding: 0;
  list-style: none;
}

@media (max-width: 900px) {
  .detail {
    position: fixed;
    inset: auto 0 0;
    top: auto;
    z-index: 12;
    max-height: 60vh;
    border-radius: 14px 14px 0 0;
  }
}
</style>
