<script setup lang="ts">
import { DEMOS, useFiles } from '../../composables/useFiles';
import { useDinner } from '../../stores/dinner';

const emit = defineEmits<{ open: [file: File | undefined] }>();
const files = useFiles();
const store = useDinner();
const input = useTemplateRef<HTMLInputElement>('input');

function picked(event: Event): void {
  const target = event.target as HTMLInputElement;
  emit('open', target.files?.[0]);
  target.value = '';
}

const isSending = ref(false);
const TAKE = {
  dinner: files.saveDinner,
  plan: files.savePlan,
  markdown: files.saveMarkdown,
  calendar: files.saveCalendar,
  svg: files.saveSvg,
  png: () => void files.savePng(),
  send: () => (isSending.value = true),
  print: () => void navigateTo('/print'),
};
</script>

<template>
  <input
    ref="input"
    type="file"
    accept=".json,.evening,application/json,text/plain"
    hidden
    data-testid="open-file"
    @change="picked"
  />
  <el-dropdown trigger="click" @command="(k: number) => (k < 0 ? input?.click() : files.openDemo(k))">
    <el-button>Open</el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item :command="-1">A dinner file ...</el-dropdown-item>
        <el-dropdown-item v-for="(demo, k) in DEMOS" :key="demo.name" :command="k" :divided="k === 0">
          {{ demo.name }}: {{ demo.about }}
        </el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
  <el-dropdown trigger="click" @command="(k: keyof typeof TAKE) => TAKE[k]()">
    <el-button>Take away</el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item command="dinner">Save the dinner</el-dropdown-item>
        <el-dropdown-item command="plan" :disabled="!store.plan">Save the plan</el-dropdown-item>
        <el-dropdown-item command="markdown">The dinner as Markdown</el-dropdown-item>
        <el-dropdown-item command="calendar" :disabled="!store.evening"
          >Calendar file with alarms</el-dropdown-item
        >
        <el-dropdown-item command="svg" :disabled="!store.evening"
          >Picture of the strip (SVG)</el-dropdown-item
        >
        <el-dropdown-item command="png" :disabled="!store.evening"
          >Picture of the strip (PNG)</el-dropdown-item
        >
        <el-dropdown-item command="send" :disabled="!store.evening">Send to the other cook</el-dropdown-item>
        <el-dropdown-item command="print" :disabled="!store.evening">Print the run sheet</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
  <SendEvening v-model="isSending" />
</template>
