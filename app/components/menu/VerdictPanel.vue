<script setup lang="ts">
import { clashesOf } from '../../../core/allergens';
import { longAtRoom } from '../../../core/gather';
import { verdictOf } from '../../../core/reasons';
import { duration, useTimes } from '../../composables/useTimes';
import { useComparison } from '../../composables/useOwnWorker';
import { useClock } from '../../stores/clock';
import { useDinner } from '../../stores/dinner';

const store = useDinner();
const clock = useClock();
const times = useTimes();
const comparison = useComparison();

const verdict = computed(() => (store.evening ? verdictOf(store.evening.dinner, store.evening.plan) : null));
const standing = computed(() => (store.evening ? longAtRoom(store.evening.dinner, store.evening.plan) : []));
const clashes = computed(() => clashesOf(store.dinner!));
const nowMinute = computed(() => Math.ceil((clock.now - store.zero) / 60_000));
const isLate = computed(
  () => verdict.value !== null && nowMinute.value > verdict.value.figures.first && nowMinute.value < 0,
);
const fromNow = ref<'not asked' | 'asked' | 'yes' | 'no'>('not asked');

const at = (minute: number) =>
  minute < -720 ? `${times.day(minute)}, ${times.clock(minute)}` : times.clock(minute);

/** What the first thing of a stretch of work is. */
function firstOf(step: string | null): string {
  const [dish, id] = (step ?? '').split('/');
  const found = store.dinner?.dishes.find((d) => d.id === dish);
  return found?.steps.find((s) => s.id === id)?.does ?? 'Plate';
}

watch(
  () => [store.plan, store.isPlanning, isLate.value],
  () => {
    comparison.end();
    fromNow.value = 'not asked';
    if (!isLate.value || store.isPlanning) return;
    fromNow.value = 'asked';
    const minute = nowMinute.value;
    void comparison.begin(async (remote) => {
      fromNow.value = (await remote.canBeginAt(store.file, minute)) ? 'yes' : 'no';
    });
  },
  { immediate: true },
);
</script>

<template>
  <!-- It scrolls by itself where the window is low, so keys have to reach it. -->
  <section class="card verdict" aria-labelledby="verdict-title" tabindex="0">
    <h2 id="verdict-title">
      <template v-if="verdict">It fits</template>
      <template v-else-if="store.isPlanning">Planning ...</template>
      <template v-else>It does not fit</template>
    </h2>
    <dl v-if="verdict">
      <div v-for="(begin, k) in verdict.beginBy" :key="begin.minute">
        <dt>{{ k === 0 ? 'Begin by' : 'and again' }}</dt>
        <dd>
          <strong>{{ at(begin.minute) }}</strong>
          <span class="soft first">{{ firstOf(begin.step) }}</span>
        </dd>
      </div>
      <div>
        <dt>Hands free after</dt>
        <dd>
          <strong>{{ times.clock(verdict.last) }}</strong>
        </dd>
      </div>
      <div>
        <dt>Hands</dt>
        <dd>
          <strong>{{ duration(verdict.figures.handsMinutes) }}</strong>
        </dd>
      </div>
      <div>
        <dt>Away from the table</dt>
        <dd>
          <strong>{{ duration(verdict.figures.awayMinutes) }}</strong>
        </dd>
      </div>
      <div>
        <dt>Busiest half hour</dt>
        <dd>
          <strong>{{ times.clock(verdict.busiest.from) }}</strong>
          <span class="soft">, {{ verdict.busiest.minutes }} min of hands</span>
        </dd>
      </div>
    </dl>
    <p v-if="fromNow === 'asked'" class="soft">Can it still be begun now?</p>
    <p v-else-if="fromNow === 'yes'">Begun now, it is still possible.</p>
    <p v-else-if="fromNow === 'no'" class="warn">Begun only now, it is not possible as it stands.</p>
    <div v-if="standing.length">
      <h3>Long at room temperature</h3>
      <ul>
        <li v-for="s in standing" :key="s.step" class="warn">
          {{ s.dish }}: {{ duration(s.minutes) }} after "{{ s.does }}"
        </li>
      </ul>
      <p class="soft">
        Two hours at most for what can spoil, one in great heat (USDA FSIS). Keep it in the fridge, and see
        your local food-safety advice.
      </p>
    </div>
    <div v-if="clashes.length" class="clashes">
      <h3>Not for everybody</h3>
      <ul>
        <li v-for="clash in clashes" :key="`${clash.guest} ${clash.dish} ${clash.avoids}`">
          {{ clash.guest }} avoids {{ clash.avoids.toLowerCase() }}: {{ clash.dish
          }}<template v-if="clash.item"> ({{ clash.item }})</template>
        </li>
      </ul>
      <p class="soft">A hint from the words only: check the packet, and ask.</p>
    </div>
  </section>
</template>

<style scoped>
.verdict {
  display: grid;
  gap: 0.75rem;
}

dl {
  display: grid;
  gap: 0.5rem;
  margin: 0;
}

dl > div {
  display: grid;
  grid-template-columns: 8rem minmax(0, 1fr);
  gap: 0.5rem;
}

dt {
  color: var(--soft);
}

dd {
  margin: 0;
}

.first {
  display: block;
}

@media (max-width: 1100px) and (min-width: 700px) {
  dl {
    grid-template-columns: 1fr 1fr;
    gap: 0.5rem 2rem;
  }
}

.clashes ul {
  margin: 0.25rem 0;
  padding-left: 1.2rem;
}

.warn {
  color: var(--warn);
  font-weight: 600;
}
</style>
