<script setup lang="ts">
import { useDinner } from '../stores/dinner';

const store = useDinner();
const route = useRoute();
type Part = 'shopping' | 'ahead' | 'tools' | 'table' | 'laid';
const PARTS: { value: Part; label: string; needsPlan: boolean }[] = [
  { value: 'shopping', label: 'Shopping', needsPlan: false },
  { value: 'ahead', label: 'Ahead of time', needsPlan: true },
  { value: 'tools', label: 'Tools', needsPlan: true },
  { value: 'table', label: 'The table', needsPlan: false },
  { value: 'laid', label: 'Laid out', needsPlan: true },
];
const part = computed({
  get: () => PARTS.find((p) => p.value === route.query['part'])?.value ?? 'shopping',
  set: (value) => void navigateTo({ query: { part: value } }, { replace: true }),
});
const needsPlan = computed(() => PARTS.find((p) => p.value === part.value)!.needsPlan);
</script>

<template>
  <div>
    <PlanStatus class="no-print" />
    <div class="gather">
      <el-segmented v-model="part" :options="PARTS" class="no-print" aria-label="What is gathered" />
      <div v-if="store.dinner!.dishes.length === 0" class="card">
        <p>There is nothing to gather yet.</p>
        <NuxtLink to="/menu">Put a dish on the menu</NuxtLink>
      </div>
      <template v-else-if="!needsPlan || store.evening">
        <ShoppingList v-if="part === 'shopping'" />
        <AheadList v-else-if="part === 'ahead'" />
        <ToolsNeeded v-else-if="part === 'tools'" />
        <TableLaid v-else-if="part === 'table'" />
        <LaidOutList v-else />
      </template>
      <ImpossibleDinner v-else-if="store.plan && !store.plan.feasible" />
    </div>
  </div>
</template>

<style scoped>
.gather {
  display: grid;
  gap: 1rem;
  padding: 0.25rem 1.25rem 2rem;
}

.gather :deep(.el-segmented) {
  justify-self: start;
  overflow-x: auto;
}

.card a {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
}

@media (max-width: 600px) {
  .gather {
    padding-inline: 0.75rem;
  }
}
</style>
