<script setup lang="ts">
import { withFields } from '../../../core/compose';
import { hiddenCautions, suggestCautions } from '../../../core/sentences';
import { guessesInWords } from '../../composables/useWords';
import type { StepFile } from '../../composables/useStepFields';

const props = defineProps<{
  step: StepFile;
  dishName: string;
  at: number;
  isFirst: boolean;
  isLast: boolean;
}>();
const emit = defineEmits<{ change: [step: StepFile]; move: [by: number]; remove: [] }>();
const isOpen = defineModel<boolean>('open', { default: false });

/** Changes fields; what a cook has set is no guess any more. */
function set(change: Partial<StepFile>): void {
  const guessed = (props.step.guessed ?? []).filter((field) => !Object.hasOwn(change, field));
  emit('change', withFields(props.step, { ...change, guessed: guessed.length > 0 ? guessed : undefined }));
}

const hidden = computed(() => hiddenCautions(props.step));
const hide = (keys: string[]) => set({ hides: keys.length > 0 ? keys : undefined });
const suggested = computed(() => suggestCautions(props.step, props.dishName));
const isGuess = (field: string) => (props.step.guessed ?? []).includes(field);
</script>

<template>
  <li class="step" :class="step.attention">
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
      <StepMinutes
        :step="step"
        :name="`Step ${at + 1}`"
        :set="(change) => set(change as Partial<StepFile>)"
      />
      <span v-if="step.guessed?.length" class="guess">A guess: {{ guessesInWords(step.guessed) }}</span>
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
      <el-button size="small" :aria-label="`Hide: ${s.text}`" @click="hide([...hidden, s.key])"
        >Hide</el-button
      >
    </p>
    <p v-if="hidden.length" class="soft">
      {{ hidden.length }} {{ hidden.length === 1 ? 'caution is' : 'cautions are' }} hidden here.
      <el-button size="small" @click="hide([])">Show again</el-button>
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

.does {
  flex: 1;
  min-width: 14rem;
}

.guess {
  color: var(--warn);
}

.caution {
  color: var(--warn);
}

.caution :deep(.el-button) {
  margin-left: 0.5rem;
}
</style>
