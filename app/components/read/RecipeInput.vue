<script setup lang="ts">
/** Where a recipe is pasted, dropped or chosen as a file. */
const text = defineModel<string>({ required: true });
const props = defineProps<{ isReading: boolean; problems: readonly string[] }>();
const emit = defineEmits<{ read: []; cancel: [] }>();
const isOver = ref(false);
const input = useTemplateRef<HTMLInputElement>('input');
const MOST_BYTES = 1_000_000;
const tooLong = ref('');

async function take(file: File | undefined): Promise<void> {
  if (!file) return;
  tooLong.value = file.size > MOST_BYTES ? `${file.name} is larger than 1 MB. Nothing was read.` : '';
  if (tooLong.value) return;
  text.value = await file.text();
  emit('read');
}

function picked(event: Event): void {
  const target = event.target as HTMLInputElement;
  void take(target.files?.[0]);
  target.value = '';
}

function dropped(event: DragEvent): void {
  isOver.value = false;
  const transfer = event.dataTransfer;
  const [file] = transfer?.files ?? [];
  if (file) return void take(file);
  const words = transfer?.getData('text/plain');
  if (words) {
    text.value = words;
    emit('read');
  }
}
</script>

<template>
  <section
    class="card input"
    :class="{ over: isOver }"
    aria-labelledby="input-title"
    @dragover.prevent.stop="isOver = true"
    @dragleave.self="isOver = false"
    @drop.prevent.stop="dropped"
  >
    <h2 id="input-title">Read a recipe in</h2>
    <p class="soft">
      Paste it, or drop a file: plain text, Markdown, a saved web page, a dish or a dinner. It is read here in
      your browser and goes nowhere.
    </p>
    <el-input
      v-model="text"
      type="textarea"
      :autosize="{ minRows: 10, maxRows: 24 }"
      aria-label="The recipe"
      placeholder="Leek soup for 4 ..."
    />
    <p v-if="tooLong" role="alert" class="problem">{{ tooLong }}</p>
    <div v-if="props.problems.length" role="alert" class="problem">
      <p>This cannot be read. What you pasted is still here.</p>
      <ul>
        <li v-for="problem in props.problems.slice(0, 5)" :key="problem">{{ problem }}</li>
      </ul>
    </div>
    <div class="row">
      <el-button type="primary" :disabled="!text.trim() || props.isReading" @click="emit('read')"
        >Read it</el-button
      >
      <el-button @click="input?.click()">A file ...</el-button>
      <el-button v-if="props.isReading" @click="emit('cancel')">Stop</el-button>
      <span v-if="props.isReading" role="status">Reading ...</span>
      <input
        ref="input"
        type="file"
        accept=".txt,.md,.html,.htm,.json,text/*,application/json,application/ld+json"
        hidden
        data-testid="recipe-file"
        @change="picked"
      />
    </div>
  </section>
</template>

<style scoped>
.input {
  display: grid;
  gap: 0.75rem;
}

.over {
  outline: 4px dashed var(--accent);
}

.problem {
  color: var(--warn);
}
</style>
