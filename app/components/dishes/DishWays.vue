<script setup lang="ts">
import { freeId, idFrom } from '../../../core/compose';
import type { DishFile } from '../../composables/useStepFields';

/** Whole other ways to make a dish; one of them is chosen for the evening. */
const props = defineProps<{ dish: DishFile; set: (change: Partial<DishFile>) => void }>();

type Way = NonNullable<DishFile['ways']>[number];
const ways = computed(() => props.dish.ways ?? []);
const setWay = (at: number, change: Partial<Way>) =>
  props.set({ ways: ways.value.map((w, k) => (k === at ? { ...w, ...change } : w)) });

/** The first two come together: the dish as it is, and another. */
function add(): void {
  const used = new Set(ways.value.map((w) => w.id));
  const usual = ways.value.length === 0 ? [{ id: 'usual', label: 'As usual', points: 0 }] : [];
  const id = freeId(idFrom('another way', 'way'), used);
  props.set({ ways: [...ways.value, ...usual, { id, label: 'Another way', points: 5 }] });
}

/** Steps that were only done in that way go with it. */
function remove(at: number): void {
  const { id } = ways.value[at]!;
  const left = ways.value.filter((_, k) => k !== at);
  const steps = props.dish.steps
    .filter((step) => !(step.in?.length === 1 && step.in[0] === id))
    .map((step) => {
      if (!step.in) return step;
      const { in: ids, ...others } = step;
      const kept = ids.filter((way) => way !== id);
      return kept.length === left.length ? (others as typeof step) : { ...step, in: kept };
    });
  props.set({ ways: left.length > 0 ? left : undefined, steps });
}
</script>

<template>
  <details :open="ways.length > 0">
    <summary>Whole other ways to make it</summary>
    <div class="inside">
      <p class="soft">
        With bought pastry, in the slow pot, without the garnish. Each step says in which of them it is done.
      </p>
      <WayHead
        v-for="(way, k) in ways"
        :key="way.id"
        :way="way"
        :name="`Way ${k + 1} to make the dish`"
        :removal="`Take out ${way.label}`"
        @change="(change) => setWay(k, change)"
        @remove="remove(k)"
      />
      <div><el-button @click="add">One more way to make the dish</el-button></div>
    </div>
  </details>
</template>

<style scoped>
.inside {
  display: grid;
  gap: 0.5rem;
}

summary {
  min-height: 44px;
  padding-top: 0.6rem;
  font-weight: 600;
  cursor: pointer;
}
</style>
