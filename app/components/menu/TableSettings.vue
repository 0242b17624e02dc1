<script setup lang="ts">
import { useDinner } from '../../stores/dinner';

const store = useDinner();
const dinner = computed(() => store.dinner!);
const set = (path: string, value: unknown) => store.change([{ path, value }]);
const setSitDown = (value: string | null) => value && store.sitDownAt(value);
</script>

<template>
  <section class="card settings" aria-labelledby="who-title">
    <h2 id="who-title">Who and when</h2>
    <label for="title">Name</label>
    <NameInput
      id="title"
      :model-value="dinner.title"
      maxlength="80"
      @update:model-value="(title) => set('title', title)"
    />
    <label for="guests">At table</label>
    <el-input-number
      id="guests"
      :model-value="dinner.guests"
      :min="1"
      :max="24"
      @change="(n) => n && set('guests', n)"
    />
    <label for="sit-down">Sitting down</label>
    <el-date-picker
      id="sit-down"
      :model-value="dinner.sitDown"
      type="datetime"
      format="D MMM YYYY, HH:mm"
      value-format="YYYY-MM-DDTHH:mm"
      :clearable="false"
      @update:model-value="setSitDown"
    />
    <label for="arrive">Guests come, min before</label>
    <el-input-number
      id="arrive"
      :model-value="dinner.arrive"
      :min="0"
      :max="240"
      :step="5"
      @change="(n) => set('arrive', n ?? 0)"
    />
    <label for="away">Away a course, min at most</label>
    <el-input-number
      id="away"
      :model-value="dinner.away"
      :min="0"
      :max="120"
      @change="(n) => set('away', n ?? 0)"
    />
    <span id="caution-label">Caution</span>
    <div class="slider">
      <el-slider
        :model-value="dinner.caution"
        :min="0"
        :max="1"
        :step="0.05"
        aria-labelledby="caution-label"
        :format-tooltip="(v: number) => `${Math.round(v * 100)} %`"
        @change="(v) => set('caution', v)"
      />
      <p class="soft">
        {{ Math.round(dinner.caution * 100) }} % of the way from the usual time to the long one is allowed
        for.
      </p>
    </div>
    <CookTimes />
  </section>
</template>

<style scoped>
.settings {
  display: grid;
  grid-template-columns: minmax(0, 6rem) minmax(0, 1fr);
  gap: 0.75rem;
  align-content: start;
  align-items: start;
}

.settings > h2 {
  grid-column: 1 / -1;
}

.settings > label,
.settings > span {
  padding-top: 0.6rem;
  font-weight: 600;
}

.settings :deep(.el-date-editor) {
  width: 100%;
}

.slider {
  padding-inline: 0.5rem;
}
</style>
