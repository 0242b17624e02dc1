<script setup lang="ts">
import type { Bar, HeatPoint, Lanes, OvenLanes } from '../../../core/strip';
import { useHeat } from '../../composables/useHeat';
import type { StripColumns } from '../../composables/useStrip';

const props = defineProps<{
  ovens: readonly OvenLanes[];
  rings: Lanes;
  width: number;
  columns: StripColumns;
  y: (minute: number) => number;
  isShown: (from: number, to: number) => boolean;
  chosen: string | null;
  moves: ReadonlyMap<string, number>;
}>();
const heat = useHeat();
const heatId = useId();
const emit = defineEmits<{ choose: [step: string] }>();

const GAP = 8;
const HOTTEST = 260;
/** Share of an oven's width that the coldest oven has. */
const LEAST = 0.35;
const LEAST_LABEL = 40;

const places = computed(() => {
  const { edge } = props.columns;
  const lanes = props.ovens.reduce((sum, oven) => sum + oven.count, props.rings.count);
  const free = props.width - props.ovens.length * (edge + GAP);
  const lane = Math.min(props.columns.lane, free / Math.max(1, lanes));
  let left = 0;
  const ovens = props.ovens.map((oven) => {
    const width = oven.count * lane + edge;
    const place = { ...oven, left, width };
    left += width + GAP;
    return place;
  });
  return { lane, ovens, rings: left };
});

/** Every bar with its place. */
const bars = computed(() => {
  const { lane, ovens, rings } = places.value;
  const placed = (bar: Bar, left: number, where: string) => ({
    bar,
    where,
    left: left + bar.lane * lane,
    width: Math.max(5, bar.lanes * lane - 2),
  });
  return [
    ...ovens.flatMap((oven) => oven.bars.map((bar) => placed(bar, oven.left, shelfOf(oven, bar)))),
    ...props.rings.bars.map((bar) => placed(bar, rings, 'on a ring')),
  ];
});
const shown = computed(() => bars.value.filter(({ bar }) => props.isShown(bar.from, bar.to)));
/** The band's right edge stands for the temperature that the oven has: the hotter, the wider. */
function band(edge: readonly HeatPoint[], width: number): string {
  const x = (celsius: number) => width * (LEAST + (1 - LEAST) * Math.min(1, celsius / HOTTEST));
  const line = edge.map(({ minute, celsius }) => `L${x(celsius)} ${props.y(minute)}`).join('');
  return `M0 ${props.y(edge[0]!.minute)}${line}L0 ${props.y(edge.at(-1)!.minute)}Z`;
}

/** A label keeps to its oven's part of the column, so that it covers no bar beside it. */
const labelWidth = (oven: number) => Math.max(LEAST_LABEL, oven + GAP / 2);

const labelled = (oven: OvenLanes) =>
  oven.programme
    .filter((setting, k) => setting.celsius !== oven.programme[k - 1]?.celsius)
    .filter((setting) => props.isShown(setting.from, setting.from));

/** The shelf in words, where the oven has more than one. */
function shelfOf(oven: OvenLanes, bar: Bar): string {
  if (oven.shelves <= 1 || bar.lanes >= oven.shelves) return 'in the oven';
  const isTop = bar.lane < 0.5;
  const isLow = bar.lane + bar.lanes > oven.shelves - 0.5;
  return isTop ? 'in the oven, top' : isLow ? 'in the oven, low' : 'in the oven, middle';
}
</script>

<template>
  <div class="column" role="group" aria-label="Heat: oven and rings">
    <svg class="bands" aria-hidden="true" :width="width" height="100%">
      <template v-for="oven in places.ovens" :key="oven.id">
        <path
          v-for="(edge, k) in oven.edges"
          :key="k"
          :transform="`translate(${oven.left} 0)`"
          :d="band(edge, oven.width)"
          :fill="`url(#${heatId})`"
        />
      </template>
      <defs>
        <linearGradient :id="heatId">
          <stop offset="0" stop-color="var(--heat-low)" />
          <stop offset="1" stop-color="var(--heat-high)" />
        </linearGradient>
      </defs>
    </svg>
    <template v-for="oven in places.ovens" :key="oven.id">
      <span
        v-for="setting in labelled(oven)"
        :key="setting.from"
        class="setting"
        :class="{ small: !columns.hasWords }"
        :style="{
          top: `${y(setting.from)}px`,
          left: `${oven.left}px`,
          maxWidth: `${labelWidth(oven.width)}px`,
        }"
      >
        {{ columns.hasWords ? `${oven.name} on: ${heat.text(setting.celsius)}` : heat.text(setting.celsius) }}
      </span>
    </template>
    <StripBars
      :placed="shown"
      :y="y"
      hands="right"
      :chosen="chosen"
      :moves="moves"
      @choose="(step) => emit('choose', step)"
    />
  </div>
</template>

<style scoped>
.column {
  position: relative;
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
  pointer-events: none;
}

.setting.small {
  padding: 0 0.1rem;
  font-size: 0.7rem;
  white-space: nowrap;
}
</style>
