<script setup lang="ts">
import { withFields, type CardFile } from '../../../core/compose';
import { suggestCautions } from '../../../core/sentences';

type StepFile = CardFile['dish']['steps'][number];
const props = defineProps<{
  step: StepFile;
  dishName: string;
  at: number;
  isFirst: boolean;
  isLast: boolean;
}>();
const emit = defineEmits<{ change: [step: StepFile]; move: [by: number]; remove: [] }>();
const isOpen = ref(false);

/** Changes fields; what a cook has set is no guess any more. */
function set(change: Partial<StepFile>): void {
  const guessed = (props.step.guessed ?? []).filter((field) => !Object.hasOwn(change, field));
  emit('change', withFields(props.step, { ...change, guessed: guessed.length > 0 ? guessed : undefined }));
}

const minutes = computed(() => {
  const m = props.step.minutes as number | { short: number; usual: number; long: number };
  return typeof m === 'number' ? { short: m, usual: m, long: m } : m;
});
/** The three stay in order: what is set pushes the others. */
function setMinutes(field: 'short' | 'usual' | 'long', value: number): void {
  const m = { ...minutes.value, [field]: value };
  if (field === 'short') [m.usual, m.long] = [Math.max(m.usual, value), Math.max(m.long, value)];
  if (field === 'usual') [m.short, m.long] = [Math.min(m.short, value), Math.max(m.long, value)];
  if (field === 'long') [m.short, m.usual] = [Math.min(m.short, value), Math.min(m.usual, value)];
  set({ minutes: m.short === m.long ? m.usual : { ...m } });
}

function setAttention(attention: StepFile['attention']): void {
  set({
    attention,
    ...(attention === 'hands' && { touch: undefined, check: undefined }),
    ...(attention !== 'hands' && { pausable: undefined, hands: undefined, within: undefined, if: undefined }),
    ...(attention === 'alone' && { check: undefined }),
    ...(attention === 'minded' && { check: props.step.check ?? { every: 10 } }),
  });
}

const KINDS = [
  { value: 'hands', label: 'Hands' },
  { value: 'minded', label: 'Minded' },
  { value: 'alone', label: 'Alone' },
];
const suggested = computed(() => suggestCautions(props.step, props.dishName));
const isGuess = (field: string) => (props.step.guessed ?? []).includes(field);
/** The step's length on the chain, in a scale that lets a minute and a night stand side by side. */
const length = computed(() => `${Math.min(100, 12 * Math.log2(1 + minutes.value.usual))}%`);
</script>

<template>
  <li class="step" :class="step.attention">
    <div class="bar" aria-hidden="true"><span :style="{ width: length }" /></div>
    <div class="row">
      <NameInput
        class="does"
        :model-value="step.does"
        maxlength="300"
        :aria-label="`Step ${at + 1}: what is done`"
        @update:model-value="(does) => set({ does })"
      />
      <el-button :disabled="isFirst" :aria-label="`Step ${at + 1} earlier`" @click="emit('move', -1)"
        >↑</el-button
      >
      <el-button :disabled="isLast" :aria-label="`Step ${at + 1} later`" @click="emit('move', 1)"
        >↓</el-button
      >
      <el-button :aria-label="`Take out step ${at + 1}`" @click="emit('remove')">×</el-button>
    </div>
    <div class="row">
      <el-select
        :model-value="step.attention"
        class="kind"
        :aria-label="`Step ${at + 1}: attention`"
        @change="setAttention"
      >
        <el-option v-for="k in KINDS" :key="k.value" :value="k.value" :label="k.label" />
      </el-select>
      <FieldNumber
        label="min, short"
        :model-value="minutes.short"
        @update:model-value="(n) => setMinutes('short', n ?? 0)"
      />
      <FieldNumber
        label="usual"
        :model-value="minutes.usual"
        @update:model-value="(n) => setMinutes('usual', n ?? 0)"
      />
      <FieldNumber
        label="long"
        :model-value="minutes.long"
        @update:model-value="(n) => setMinutes('long', n ?? 0)"
      />
      <span v-if="step.guessed?.length" class="guess">A guess: {{ step.guessed.join(', ') }}</span>
      <el-button v-if="isGuess('minutes')" size="small" @click="set({ minutes: step.minutes })"
        >It is right</el-button
      >
      <el-button
        size="small"
        :aria-expanded="isOpen"
        :aria-label="`All of step ${at + 1}`"
        @click="isOpen = !isOpen"
      >
        {{ isOpen ? 'Less' : 'All of it' }}
      </el-button>
    </div>
    <p v-for="s in suggested" :key="s.key" class="caution">
      {{ s.text }} <span class="soft">({{ s.source }})</span>
      <el-button size="small" @click="set({ cautions: [...(step.cautions ?? []), s.text] })"
        >Keep at the step</el-button
      >
    </p>
    <slot v-if="isOpen" name="more" :set="set" />
  </li>
</template>

<style scoped>
.step {
  display: grid;
  gap: 0.4rem;
  padding: 0.5rem 0.75rem;
  border: 1px solid var(--line);
  border-left: 6px solid var(--accent);
  border-radius: 8px;
}

.step.minded {
  border-left-style: dashed;
}

.step.alone {
  border-left-style: double;
}

.bar {
  height: 6px;
  border-radius: 3px;
  background: color-mix(in srgb, var(--line) 45%, transparent);
}

.bar > span {
  display: block;
  height: 100%;
  border-radius: 3px;
  background: var(--accent);
}

.does {
  flex: 1;
  min-width: 14rem;
}

.kind {
  width: 8rem;
}

.guess {
  color: var(--warn);
}

.caution {
  color: var(--warn);
}
</style>
