<script setup lang="ts">
import { placedSteps } from '../../../core/dinner';
import { useDinner } from '../../stores/dinner';
import { useKitchen } from '../../stores/kitchen';

const kitchen = useKitchen();
const store = useDinner();
const newTool = ref('');
const tools = computed(() =>
  Object.entries(kitchen.kitchen.tools)
    .map(([name, count]) => ({ name, count }))
    .sort((a, b) => a.name.localeCompare(b.name)),
);
/** Tools that the dishes of this dinner want and the kitchen does not list: one of each is assumed. */
const missing = computed(() => {
  const wanted = placedSteps(store.dinner!).flatMap(({ step }) =>
    [step, ...step.ways].flatMap((s) =>
      (s.uses ?? []).flatMap((u) => ('tool' in u ? [u.tool as string] : [])),
    ),
  );
  return [...new Set(wanted)].filter((tool) => !Object.hasOwn(kitchen.kitchen.tools, tool)).sort();
});

const setTool = (name: string, count: number) =>
  kitchen.change((k) => ({ ...k, tools: { ...k.tools, [name]: count } }));
const removeTool = (name: string) =>
  kitchen.change((k) => ({
    ...k,
    tools: Object.fromEntries(Object.entries(k.tools ?? {}).filter(([tool]) => tool !== name)),
  }));

function add(): void {
  const name = newTool.value.trim();
  newTool.value = '';
  if (name) void setTool(name, 1);
}
</script>

<template>
  <section class="card" aria-labelledby="tools-title">
    <h2 id="tools-title">Rings and tools</h2>
    <div class="row">
      <label for="rings">Rings on the hob</label>
      <el-input-number
        id="rings"
        :model-value="kitchen.kitchen.rings"
        :min="0"
        :max="12"
        @change="(n) => kitchen.change((k) => ({ ...k, rings: n ?? 0 }))"
      />
    </div>
    <div class="row">
      <label for="wash">Minutes to wash a tool between two dishes</label>
      <el-input-number
        id="wash"
        :model-value="kitchen.kitchen.wash"
        :min="0"
        :max="60"
        @change="(n) => kitchen.change((k) => ({ ...k, wash: n ?? 0 }))"
      />
    </div>
    <ul aria-label="Tools">
      <li v-for="tool in tools" :key="tool.name" class="row">
        <label :for="`tool-${tool.name}`">{{ tool.name }}</label>
        <el-input-number
          :id="`tool-${tool.name}`"
          :model-value="tool.count"
          :min="0"
          :max="50"
          @change="(n) => setTool(tool.name, n ?? 0)"
        />
        <el-button :aria-label="`Take ${tool.name} off the list`" @click="removeTool(tool.name)">×</el-button>
      </li>
    </ul>
    <form class="row" @submit.prevent="add">
      <el-input
        v-model="newTool"
        maxlength="60"
        placeholder="Another tool"
        aria-label="Name of another tool"
      />
      <el-button native-type="submit">Add the tool</el-button>
    </form>
    <p v-if="missing.length" class="missing">
      Wanted by this dinner and not on the list, one of each is assumed:
      <el-button v-for="tool in missing" :key="tool" :aria-label="`Add ${tool}`" @click="setTool(tool, 1)">
        {{ tool }} +
      </el-button>
    </p>
  </section>
</template>

<style scoped>
.card {
  display: grid;
  gap: 0.75rem;
}

ul {
  display: grid;
  gap: 0.4rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0.5rem 1rem;
  align-items: center;
}

.row label {
  flex: 1;
  min-width: 9rem;
}

.row :deep(.el-input) {
  flex: 1;
  min-width: 9rem;
}

.missing {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
}

.missing :deep(.el-button + .el-button) {
  margin-left: 0;
}
</style>
