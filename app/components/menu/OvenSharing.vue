<script setup lang="ts">
import { ovenPairs, type OvenPair, type OvenWish } from '../../../core/reasons';
import { useHeat } from '../../composables/useHeat';
import { useDinner } from '../../stores/dinner';

const store = useDinner();
const heat = useHeat();
const pairs = computed(() => ovenPairs(store.dinner!));
const nameOf = (wish: OvenWish) => `${wish.dish} (${heat.text(wish.celsius)})`;
function saying({ common, hasRoom }: OvenPair): string {
  if (!common) return 'cannot share: no temperature suits both';
  if (!hasRoom) return 'cannot share: too little room';
  return common[0] === common[1]
    ? `can share at ${heat.text(common[0])}`
    : `can share at ${heat.text(common[0])} to ${heat.text(common[1])}`;
}
const canShare = (pair: OvenPair) => pair.common !== null && pair.hasRoom;
const sorted = computed(() => [...pairs.value].sort((a, b) => Number(canShare(a)) - Number(canShare(b))));
</script>

<template>
  <section v-if="pairs.length > 0" aria-labelledby="oven-title" class="oven">
    <h2 id="oven-title">Sharing the oven</h2>
    <ul>
      <li v-for="pair in sorted" :key="`${pair.one.step} ${pair.other.step}`">
        <strong>{{ nameOf(pair.one) }}</strong> and <strong>{{ nameOf(pair.other) }}</strong>:
        <span :class="{ warn: !canShare(pair) }">{{ saying(pair) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  display: grid;
  gap: 0.35rem;
  margin: 0.5rem 0 0;
  padding-left: 1.2rem;
}

.warn {
  color: var(--warn);
}
</style>
