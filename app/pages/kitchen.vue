<script setup lang="ts">
import { useDinner } from '../stores/dinner';

const store = useDinner();
const dinner = computed(() => store.dinner!);
const pace = (value: number | undefined | null) => store.change([{ path: 'pace', value: value ?? 1 }]);
</script>

<template>
  <div>
    <PlanStatus />
    <div class="kitchen">
      <p class="soft wide">The kitchen of {{ dinner.title }}. A dinner that is begun new has the same.</p>
      <OvenList />
      <ToolList />
      <section class="card pace" aria-labelledby="pace-title">
        <h2 id="pace-title">Cooks, and their pace</h2>
        <div v-for="(cook, k) in dinner.cooks" :key="cook.id" class="row">
          <label :for="`cook-${k}`">{{ k === 0 ? 'The cook' : 'And' }}</label>
          <CookLine :at="k" />
        </div>
        <label for="pace">Hands take so many times what is written</label>
        <el-input-number
          id="pace"
          :model-value="dinner.pace"
          :min="0.5"
          :max="3"
          :step="0.05"
          :precision="2"
          @change="pace"
        />
        <p class="soft">
          At 1.2, ten minutes of chopping are twelve. Ovens and fridges take as long as ever.
        </p>
      </section>
      <UnitChoice />
      <HabitChoice />
      <BackupBox />
    </div>
  </div>
</template>

<style scoped>
.kitchen {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(26rem, 100%), 1fr));
  gap: 1.25rem;
  align-items: start;
  padding: 0.25rem 1.25rem 2rem;
}

.wide {
  grid-column: 1 / -1;
}

.pace {
  display: grid;
  gap: 0.6rem;
  justify-items: start;
}
</style>
