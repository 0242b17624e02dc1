<script setup lang="ts">
import { bendsOf } from '../../../core/reasons';
import { useDinner } from '../../stores/dinner';
import { useReasons } from '../../stores/reasons';
import { useStripLook, ZOOMS } from '../../stores/strip';

export type Panel = 'ask' | 'tight' | 'bends';

/** How the evening is looked at, and what can be asked of it. */
const panel = defineModel<Panel | null>('panel', { required: true });
const store = useDinner();
const reasons = useReasons();
const look = useStripLook();
const bends = computed(() => bendsOf(store.dinner!).length);
const open = (name: Panel) => (panel.value = panel.value === name ? null : name);
</script>

<template>
  <div class="tools">
    <el-radio-group
      :model-value="look.look"
      aria-label="Shown as"
      @change="(value) => look.set({ look: value as 'strip' })"
    >
      <el-radio-button value="strip" label="Strip" />
      <el-radio-button value="whole" label="Whole" />
      <el-radio-button value="list" label="List" />
    </el-radio-group>
    <span v-if="look.look === 'strip'" class="zoom" role="group" aria-label="Zoom">
      <el-button aria-label="Farther" :disabled="look.zoom === 0" @click="look.zoomBy(-1)">−</el-button>
      <el-button aria-label="Nearer" :disabled="look.zoom === ZOOMS.length - 1" @click="look.zoomBy(1)"
        >+</el-button
      >
      <el-checkbox
        class="load"
        :model-value="look.hasLoad"
        @change="(on) => look.set({ hasLoad: on === true })"
        >Load</el-checkbox
      >
    </span>
    <span class="panels">
      <el-button :aria-pressed="panel === 'ask'" @click="open('ask')">Ask</el-button>
      <el-button :aria-pressed="panel === 'tight'" @click="open('tight')"
        >Tight places ({{ reasons.weak.length }})</el-button
      >
      <el-button :aria-pressed="panel === 'bends'" @click="open('bends')">Decided ({{ bends }})</el-button>
      <el-button @click="navigateTo('/beside')">What if</el-button>
    </span>
  </div>
</template>

<style scoped>
.tools,
.zoom,
.panels {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
}

.tools {
  gap: 0.4rem 0.8rem;
}

.el-button + .el-button {
  margin-left: 0;
}

.el-button {
  padding-inline: 0.7rem;
}

.load {
  margin: 0;
}

@media (max-width: 700px) {
  .load {
    display: none;
  }
}
</style>
