<script setup lang="ts">
import { COOK_COLOURS, useCooks } from '../../composables/useCooks';
import { useDinner } from '../../stores/dinner';

/** A cook of the open dinner: name, colour, and whether they sit down too. */
const props = defineProps<{ at: number }>();
const store = useDinner();
const cooks = useCooks();
const cook = computed(() => store.dinner!.cooks[props.at]!);
const set = (path: string, value: unknown) => store.change([{ path, value }]);
</script>

<template>
  <NameInput
    :id="`cook-${at}`"
    class="name"
    :model-value="cook.name"
    maxlength="40"
    @update:model-value="(name) => set(`cooks[${at}].name`, name)"
  />
  <el-select
    class="colour"
    :model-value="cooks.colourOf(cook.id)"
    :aria-label="`Colour of ${cook.name}`"
    @change="(colour: string) => set(`cooks[${at}].colour`, colour)"
  >
    <template #prefix>
      <span class="dot" :style="{ background: cooks.paint(cook.id) }" />
    </template>
    <el-option v-for="c in COOK_COLOURS" :key="c" :value="c" :label="c" />
  </el-select>
  <el-checkbox :model-value="cook.eats" @change="(v) => set(`cooks[${at}].eats`, v)"
    >sits at table</el-checkbox
  >
</template>

<style scoped>
.name {
  width: 8rem;
}

.colour {
  width: 8.5rem;
}

.dot {
  width: 0.9rem;
  height: 0.9rem;
  border-radius: 50%;
}
</style>
