<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core';

/** One sheet of the run sheet, on paper as it will be printed: as large as one page lets it be. */
export interface SheetLine {
  readonly key: string;
  readonly time: string;
  readonly text: string;
  readonly sign: string;
  readonly cook: string;
  readonly length: string;
  readonly kind: string;
}
const props = defineProps<{
  title: string;
  about: string;
  days: readonly { readonly day: string; readonly lines: readonly SheetLine[] }[];
  paper: 'A4' | 'letter';
  isLarge: boolean;
  hasCooks: boolean;
}>();

/** Inside the margins of 12 mm. */
const INNER = { A4: { width: 186, height: 272 }, letter: { width: 191.9, height: 254.4 } } as const;
const LARGE = 15;
/** Points, the largest first; below the last, more pages are better. */
const SIZES = [12.5, 12, 11.5, 11, 10.5, 10, 9.5, 9, 8.5, 8];
const LEAST_IN_ONE_COLUMN = 10.5;

const body = useTemplateRef<HTMLElement>('body');
const size = ref<number>(SIZES[0]!);
const columns = ref(1);
const isOnePage = ref(true);

const inner = computed(() => INNER[props.paper]);
const shape = computed(() => ({
  '--size': `${size.value}pt`,
  '--width': `${inner.value.width}mm`,
  '--height': `${inner.value.height}mm`,
  '--columns': String(columns.value),
}));

/** Tries sizes on the paper itself: how text breaks is known only there. */
async function fit(): Promise<void> {
  isOnePage.value = true;
  if (props.isLarge) {
    size.value = LARGE;
    columns.value = 1;
    isOnePage.value = false;
    return;
  }
  for (const count of [1, 2]) {
    columns.value = count;
    for (const points of SIZES) {
      if (count === 1 && points < LEAST_IN_ONE_COLUMN) break;
      size.value = points;
      await nextTick();
      const sheet = body.value;
      if (!sheet) return;
      if (sheet.scrollWidth <= sheet.clientWidth + 1 && sheet.scrollHeight <= sheet.clientHeight + 1) return;
    }
  }
  size.value = 11;
  columns.value = 1;
  isOnePage.value = false;
}
watch(() => [props.days, props.paper, props.isLarge, props.hasCooks], fit, {
  immediate: true,
  flush: 'post',
});
onMounted(() => void document.fonts.ready.then(fit));
let lastWidth = 0;
useResizeObserver(body, ([entry]) => {
  const { width } = entry!.contentRect;
  if (Math.abs(width - lastWidth) > 2) void fit();
  lastWidth = width;
});
</script>

<template>
  <section class="paper" :class="{ one: isOnePage, large: isLarge }" :style="shape" :aria-label="title">
    <div ref="body" class="body">
      <h2>{{ title }}</h2>
      <p class="about">{{ about }}</p>
      <template v-for="{ day, lines } in days" :key="day">
        <h3>{{ day }}</h3>
        <table>
          <thead class="visually-hidden">
            <tr>
              <th scope="col">Time</th>
              <th v-if="hasCooks" scope="col">Cook</th>
              <th scope="col">What</th>
              <th scope="col">Minutes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in lines" :key="line.key" :class="line.kind">
              <td class="time">{{ line.time }}</td>
              <td v-if="hasCooks" class="cook">{{ line.cook }}</td>
              <td class="what">
                <span v-if="line.sign" class="sign">{{ line.sign }}</span> {{ line.text }}
              </td>
              <td class="minutes">{{ line.length }}</td>
            </tr>
          </tbody>
        </table>
      </template>
      <p class="soft small">Temperatures and keeping times: follow your local food-safety authority.</p>
    </div>
  </section>
</template>

<style scoped>
.paper {
  margin: 0 auto 1.5rem;
  padding: 12mm;
  width: fit-content;
  border: 1px solid var(--line);
  background: var(--card);
}

.body {
  width: var(--width);
  column-count: var(--columns);
  column-gap: 8mm;
  column-fill: auto;
  font-size: var(--size);
  line-height: 1.3;
}

.one .body {
  height: var(--height);
}

h2 {
  font-size: 1.6em;
}

h3 {
  margin: 0.5em 0 0.15em;
  font-size: 1.15em;
  break-after: avoid;
}

.about {
  margin-bottom: 0.3em;
}

table {
  width: 100%;
  border-collapse: collapse;
}

tr {
  break-inside: avoid;
}

td {
  padding: 0.1em 0.3em;
  border-bottom: 1px solid var(--line);
  vertical-align: baseline;
}

.time {
  width: 3.4em;
  font-weight: 700;
}

.cook {
  white-space: nowrap;
}

.minutes {
  width: 3.8em;
  text-align: right;
  white-space: nowrap;
}

.work td,
.plate td {
  font-weight: 600;
}

.served td {
  border-block: 2px solid currentcolor;
  font-weight: 700;
}

.check td {
  font-size: 0.92em;
}

/* What it is about stands where it was begun. */
.one .check .what,
.one .out .what {
  max-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.sign {
  display: inline-block;
  width: 1.3em;
  border: 1.5px solid currentcolor;
  border-radius: 50%;
  font-size: 0.8em;
  text-align: center;
}

.small {
  font-size: 0.8em;
}

@media (max-width: 860px) {
  .paper {
    padding: 4mm;
    max-width: 100%;
    overflow-x: auto;
  }
}

@media print {
  .paper {
    margin: 0;
    padding: 0;
    border: 0;
    background: none;
    color: #000;
    break-after: page;
  }

  .paper:last-of-type {
    break-after: auto;
  }
}
</style>
