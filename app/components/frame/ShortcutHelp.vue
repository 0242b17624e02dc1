<script setup lang="ts">
const isOpen = defineModel<boolean>({ required: true });

const SHORTCUTS = [
  ['e', 'Evening: the plan'],
  ['c', 'Cook: now and next'],
  ['m', 'Menu: who, when, what'],
  ['f', 'Dishes: the card file'],
  ['g', 'Gather: shopping, tools, the table'],
  ['k', 'Kitchen: ovens, tools, backup'],
  ['d', 'Dinners: open, copy, begin'],
  ['p', 'Print the run sheet'],
  ['t', 'Daylight or candle'],
  ['+ −', 'In Evening: nearer, farther'],
  ['↑ ↓', 'In Evening: along the lines of the run sheet'],
  ['Shift ↑ ↓', 'In Evening: move a step or a course by a minute; Enter pins it'],
  ['Ctrl Z', 'Undo; with Shift: do it again'],
  ['Space', 'In Cook: done'],
  ['u', 'In Cook: undo'],
  ['Esc', 'Close what is open'],
  ['?', 'This list'],
];
</script>

<template>
  <el-dialog v-model="isOpen" title="Keyboard" width="min(26rem, 92vw)">
    <dl>
      <template v-for="[key, what] in SHORTCUTS" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </el-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0.5rem 1rem;
  margin: 0;
}

dd {
  margin: 0;
}

kbd {
  padding: 0.1rem 0.5rem;
  border: 1px solid var(--line);
  border-radius: 6px;
  font: inherit;
}
</style>
