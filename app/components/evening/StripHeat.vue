<script setup lang="ts">
import type { OvenSetting } from '../../../core/plan';
import { useHeat } from '../../composables/useHeat';
import type { Bar } from '../../composables/useStrip';

const props = defineProps<{
  ovens: readonly {
    id: string;
    name: string;
    programme: readonly OvenSetting[];
    bars: readonly Bar[];
    count: number;
  }[];
  rings: { bars: readonly Bar[]; count: number };
  y: (minute: number) => number;
  chosen: string | null;
}>();
const heat = useHeat();
const emit = defineEmits<{ choose: [step: string] }>();

const LANE = 26;
const GAP = 8;
const HOTTEST = 260;
const EDGE = 26;

const columns = computed(() => {
  let left = 0;
  const ovens = props.ovens.map((oven) => {
    const width = oven.count * LANE + EDGE;
    const column = { ...oven, left, width };
    left += width + GAP;
    return column;
  });
  return { ovens, rings: left, width: left + props.rings.count * LANE };
});

/** Where each bar ends, so that threads can run from it to the hands. */
const ends = computed(() => [
  ...columns.value.ovens.flatMap((oven) =>
    oven.bars.map((bar) => ({ bar, right: oven.left + (bar.lane + 1) * LANE })),
  ),
  ...props.rings.bars.map((bar) => ({ bar, right: columns.value.rings + (bar.lane + 1) * LANE })),
]);

/** The band's right edge stands for the temperature: the hotter, the wider. */
function band(programme: readonly OvenSetting[], width: number): string {
  const points = programme.map(({ from, to, celsius }) => {
    const x = width * (0.45 + 0.55 * Math.min(1, celsius / HOTTEST));
    return `M0 ${props.y(from)}H${x}V${props.y(to)}H0Z`;
  });
  return points.join('');
}

function labelled(programme: readonly OvenSetting[]) {
  return programme.filter((setting, k) => setting.celsius !== programme[k - 1]?.celsius);
}
</script>

<template>
  <div class="column" role="group" aria-label="Heat: oven and rings">
    <svg class="bands" aria-hidden="true" :width="columns.width" height="100%">
      <path
        v-for="oven in columns.ovens"
        :key="oven.id"
        :transform="`translate(${oven.left} 0)`"
        :d="band(oven.programme, oven.width)"
        fill="url(#heat)"
      />
      <defs>
        <linearGradient id="heat">
          <stop offset="0" stop-color="var(--heat-low)" />
          <stop offset="1" stop-color="var(--heat-high)" />
        </linearGradient>
      </defs>
    </svg>
    <svg class="threads" aria-hidden="true" width="100%" height="100%">
      <template v-for="{ bar, right } in ends" :key="bar.key">
        <line v-for="m in bar.threads" :key="m" :x1="right" x2="100%" :y1="y(m)" :y2="y(m)" />
      </template>
    </svg>
    <template v-for="oven in columns.ovens" :key="oven.id">
      <span
        v-for="setting in labelled(oven.programme)"
        :key="setting.from"
        class="setting"
        :style="{ top: `${y(setting.from)}px`, left: `${oven.left}px` }"
      >
        {{ oven.name }} {{ heat.text(setting.celsius) }}
      </span>
      <StripBar
        v-for="bar in oven.bars"
        :key="bar.key"
        :bar="bar"
        :left="oven.left + bar.lane * LANE"
        :y="y"
        place="in the oven"
        :is-chosen="bar.step === chosen"
        @choose="emit('choose', bar.step)"
      />
    </template>
    <StripBar
      v-for="bar in rings.bars"
      :key="bar.key"
      :bar="bar"
      :left="columns.rings + bar.lane * LANE"
      :y="y"
      place="on a ring"
      :is-chosen="bar.step === chosen"
      @choose="emit('choose', bar.step)"
    />
  </div>
</template>

<style scoped>
.column {
  position: relative;
  overflow: hidden;
}

.bands {
  position: absolute;
  inset: 0 auto 0 0;
}

.setting {
  position: absolute;
  z-index: 2;
  padding: 0 0.25rem;
  transform: translateY(-100%);
  background: var(--paper);
  font-size: 0.8rem;
  font-weight: 600;
  line-height: 1.2;
  white-space: nowrap;
}
</style>
