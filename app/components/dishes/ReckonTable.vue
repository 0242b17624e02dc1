<script setup lang="ts">
import { reckon } from '../../../core/gather';
import type { Dish } from '../../../core/dinner';
import { duration } from '../../composables/useTimes';
import { useDinner } from '../../stores/dinner';
import { usePreferences } from '../../stores/preferences';

/** A dish as it is written beside what is cooked tonight: amounts, proportions, minutes, and whether it still fits. */
const props = defineProps<{ dish: Dish; portions: number }>();
const store = useDinner();
const preferences = usePreferences();
const reckoned = computed(() => reckon(store.dinner!, props.dish, props.portions, preferences.system));
const ratio = (n: number | null) => (n === null ? '' : String(Number(n.toFixed(2))));
const changes = computed(() =>
  reckoned.value.steps.map((s) => ({
    does: s.does.replace(/[.\s]+$/, ''),
    words: [
      s.written === s.tonight ? '' : `${duration(s.written)} become ${duration(s.tonight)}`,
      s.batches > 1 ? `in ${s.batches} batches` : '',
      s.shelves ? `would fill ${s.shelves.wanted} shelves, the oven has ${s.shelves.has}: bake in turns` : '',
      s.vessel ? `may be too much for one ${s.vessel}: take two, or work in turns` : '',
    ].filter(Boolean),
  })),
);
</script>

<template>
  <div class="reckon">
    <el-table :data="[...reckoned.lines]" size="small" :aria-label="`${dish.name}, side by side`">
      <el-table-column label="" min-width="150">
        <template #default="{ row }"
          >{{ row.item }}<template v-if="row.to">, {{ row.to }}</template></template
        >
      </el-table-column>
      <el-table-column :label="`written for ${dish.serves}`" prop="written" width="130" />
      <el-table-column :label="`for ${portions}`" width="130">
        <template #default="{ row }"
          ><strong>{{ row.tonight }}</strong></template
        >
      </el-table-column>
      <el-table-column label="in parts" width="100">
        <template #default="{ row }">{{ ratio(row.ratio) }}</template>
      </el-table-column>
    </el-table>
    <ul v-if="changes.length" aria-label="What so much does to the steps">
      <li v-for="change in changes" :key="change.does">{{ change.does }}: {{ change.words.join('; ') }}.</li>
    </ul>
    <p v-else class="soft">The steps take as long as they are written, and fit as they do.</p>
  </div>
</template>

<style scoped>
.reckon {
  display: grid;
  gap: 0.5rem;
}

.reckon :deep(.el-table) {
  --el-table-bg-color: var(--card);
  --el-table-tr-bg-color: var(--card);
  --el-table-header-bg-color: var(--card);
  --el-table-header-text-color: var(--ink);
  --el-table-row-hover-bg-color: var(--seat);

  font-size: 1rem;
}

ul {
  margin: 0;
}
</style>
