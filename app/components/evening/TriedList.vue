<script setup lang="ts">
import type { Tried } from '../../workers/reasons.worker';
import type { Trying } from '../../composables/useTried';
import { useTimes } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';
import { useVariant } from '../../stores/variant';

/** Changes that were tried and help, the best first; each can be taken, or looked at beside the evening. */
const props = defineProps<{
  trying: Trying;
  /** What a change brings, in words. */
  brings: (tried: Tried) => string;
}>();
const emit = defineEmits<{ stop: [] }>();
const store = useDinner();
const variant = useVariant();
const times = useTimes();
const MOST = 5;

const best = computed(() =>
  [...props.trying.tried].sort((a, b) => a.after - b.after || a.figures.cost - b.figures.cost).slice(0, MOST),
);
/** Before the first is tried it is not known how many there are. */
const isOver = computed(() => props.trying.all > 0 && props.trying.done >= props.trying.all);
function beside({ offer }: Tried): void {
  void variant.drop().then(() => variant.add(offer.change, offer.text));
  void navigateTo('/beside');
}
</script>

<template>
  <div class="tried">
    <div v-if="!isOver" class="row">
      <el-progress
        :percentage="trying.all ? Math.round((trying.done / trying.all) * 100) : 0"
        :show-text="false"
        :aria-label="`${trying.done} of ${trying.all} changes tried`"
      />
      <el-button size="small" @click="emit('stop')">Stop</el-button>
    </div>
    <p v-else-if="best.length === 0" role="status">Nothing that was tried helps.</p>
    <ul class="plain-list">
      <li v-for="one in best" :key="one.offer.text">
        <p>
          <strong>{{ one.offer.text }}</strong> {{ brings(one) }}. The day from
          {{ times.clock(one.figures.firstOnDay) }}, {{ one.figures.awayMinutes }} min away from the table.
        </p>
        <el-button size="small" @click="store.bend(one.offer.change)">Do it</el-button>
        <el-button size="small" @click="beside(one)">Look at both</el-button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.tried,
ul,
li {
  display: grid;
  gap: 0.4rem;
}

li {
  grid-template-columns: auto auto 1fr;
  padding-bottom: 0.4rem;
  border-bottom: 1px solid var(--line);
}

li p {
  grid-column: 1 / -1;
}

.row .el-progress {
  flex: 1;
}
</style>
