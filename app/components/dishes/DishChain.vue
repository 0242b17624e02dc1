<script setup lang="ts">
import { chainOf, type Block } from '../../../core/compose';
import type { DinnerFile } from '../../../core/dinner';
import { duration } from '../../composables/useTimes';

type StepFile = DinnerFile['dishes'][number]['steps'][number];
const props = defineProps<{ steps: readonly StepFile[]; dishName: string; current?: string | undefined }>();
const emit = defineEmits<{ choose: [id: string] }>();

/** Pixels of a unit of the chain: a minute is one, a quarter of an hour four, a night nine. */
const UNIT = 22;
const LANE = 118;
const INSET = 8;
/** Height of a line of text in a block. */
const LINE = 15;
const isTall = (block: Block) => (block.bottom - block.top) * UNIT > 3.5 * LINE;
const chain = computed(() => chainOf(props.steps));
const byId = computed(() => new Map(props.steps.map((s) => [s.id, s])));
const blocks = computed(() =>
  chain.value.blocks.map((block) => {
    const step = byId.value.get(block.id)!;
    const m = step.minutes;
    const usual = typeof m === 'number' ? m : m.usual;
    return {
      ...block,
      step,
      usual,
      x: block.lane * LANE,
      y: block.top * UNIT,
      h: (block.bottom - block.top) * UNIT,
      lines: Math.max(
        1,
        Math.floor((block.bottom - block.top - 0.2) * (UNIT / LINE)) - (isTall(block) ? 1 : 0),
      ),
      isTall: isTall(block),
      tail: block.keepsTo === null ? 0 : Math.max(6, (block.keepsTo - block.bottom) * UNIT),
    };
  }),
);
const width = computed(() => Math.max(1, chain.value.lanes) * LANE);
const height = computed(() => chain.value.height * UNIT + 34);
const threads = computed(() => {
  const at = new Map(blocks.value.map((b) => [b.id, b]));
  return chain.value.threads.map(({ from, to }) => {
    const a = at.get(from)!;
    const x1 = a.x + LANE / 2 - INSET;
    const y1 = a.y + a.h;
    const x2 = to === null ? x1 : at.get(to)!.x + LANE / 2 - INSET;
    const y2 = to === null ? chain.value.height * UNIT : at.get(to)!.y;
    const bend = Math.max(6, (y2 - y1) / 2);
    return `M${x1} ${y1} C${x1} ${y1 + bend} ${x2} ${y2 - bend} ${x2} ${y2}`;
  });
});
</script>

<template>
  <div class="chain" role="group" :aria-label="`${dishName}, drawn downward to the plate`">
    <div class="drawing" :style="{ width: `${width}px`, height: `${height}px` }">
      <svg :width="width" :height="height" aria-hidden="true">
        <path v-for="(d, k) in threads" :key="k" :d="d" />
      </svg>
      <template v-for="b in blocks" :key="b.id">
        <span
          v-if="b.tail"
          class="tail"
          aria-hidden="true"
          :style="{ left: `${b.x + LANE - INSET - 14}px`, top: `${b.y + b.h}px`, height: `${b.tail}px` }"
        />
        <button
          type="button"
          class="block"
          :class="[b.step.attention, { current: b.id === current }]"
          :style="{ left: `${b.x}px`, top: `${b.y}px`, width: `${LANE - INSET * 2}px`, height: `${b.h}px` }"
          :title="b.step.does"
          @click="emit('choose', b.id)"
        >
          <span :style="{ '-webkit-line-clamp': b.lines }">{{ b.step.does }}</span>
          <small v-if="b.isTall">{{ duration(b.usual) }}</small>
        </button>
      </template>
      <p class="plate" aria-hidden="true" :style="{ top: `${chain.height * UNIT}px` }">on the plate</p>
    </div>
  </div>
</template>

<style scoped>
.chain {
  max-width: 100%;
  overflow: auto;
}

.drawing {
  position: relative;
  margin-inline: auto;
}

svg {
  position: absolute;
  inset: 0;
  pointer-events: none;
}

path {
  fill: none;
  stroke: var(--soft);
  stroke-width: 1.5;
}

.block {
  position: absolute;
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  padding: 2px 6px;
  overflow: hidden;
  border: 1px solid var(--accent);
  border-left-width: 6px;
  border-radius: 6px;
  background: var(--card);
  font-size: 0.8rem;
  line-height: 1.15;
  text-align: left;
  cursor: pointer;
}

/* Attention is told by the edge, as everywhere: solid, broken, double and open. */
.block.minded {
  border-left-style: dashed;
}

.block.alone {
  border-left-style: double;
}

.block.hands {
  background: var(--seat);
}

.block.current {
  outline: 3px solid var(--focus);
}

.block > span {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
}

.tail {
  position: absolute;
  width: 8px;
  border-radius: 0 0 4px 4px;
  background: linear-gradient(var(--accent), transparent);
  opacity: 0.55;
}

.plate {
  position: absolute;
  left: 0;
  right: 16px;
  padding-top: 4px;
  border-top: 3px solid var(--accent);
  color: var(--soft);
  font-size: 0.85rem;
  text-align: center;
}
</style>
