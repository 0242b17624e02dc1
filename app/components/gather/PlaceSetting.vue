<script setup lang="ts">
import type { Piece, TablePlace } from '../../../core/gather';

/** One place at the table, drawn from above. */
const props = defineProps<{ place: TablePlace }>();
const GAP = 26;
const PLATE = { x: 240, y: 150, r: 78 };

const kindOf = (piece: Piece) =>
  piece.includes('spoon') ? 'spoon' : piece.includes('fork') ? 'fork' : 'knife';
const isSmall = (piece: Piece) => /small|fish|dessert/.test(piece);
const left = computed(() =>
  props.place.left.map((piece, k) => ({
    piece,
    x: PLATE.x - PLATE.r - 30 - (props.place.left.length - 1 - k) * GAP,
  })),
);
/** The first course's lies outermost. */
const right = computed(() =>
  [...props.place.right].reverse().map((piece, k) => ({ piece, x: PLATE.x + PLATE.r + 30 + k * GAP })),
);
const above = computed(() => props.place.above.map((piece, k) => ({ piece, y: 34 + k * 20 })));
const glasses = computed(() =>
  props.place.glasses.map((piece, k) => ({
    piece,
    x: PLATE.x + PLATE.r + 20 + k * 44,
    y: 62 - (k % 2) * 18,
    r: piece === 'red wine glass' ? 19 : piece === 'small glass' ? 12 : 16,
  })),
);
const label = computed(
  () =>
    `Left of the plate, from outside: ${props.place.left.join(', ') || 'nothing'}. Right, from outside: ${
      props.place.right.join(', ') || 'nothing'
    }. Above: ${props.place.above.join(', ') || 'nothing'}. Glasses: ${props.place.glasses.join(', ')}.`,
);
</script>

<template>
  <svg viewBox="0 0 480 260" role="img" :aria-label="label">
    <circle :cx="PLATE.x" :cy="PLATE.y" :r="PLATE.r" class="line" />
    <circle :cx="PLATE.x" :cy="PLATE.y" :r="PLATE.r - 18" class="line thin" />
    <g
      v-for="item in [...left, ...right]"
      :key="item.piece"
      :transform="`translate(${item.x} ${isSmall(item.piece) ? 106 : 86})`"
    >
      <title>{{ item.piece }}</title>
      <path :d="`M0 40 V${isSmall(item.piece) ? 96 : 132}`" class="handle" />
      <ellipse v-if="kindOf(item.piece) === 'spoon'" cx="0" cy="24" rx="10" ry="17" class="line" />
      <path
        v-else-if="kindOf(item.piece) === 'fork'"
        d="M-8 6 V26 Q-8 40 0 40 Q8 40 8 26 V6 M0 6 V34 M-4 6 V30 M4 6 V30"
        class="line"
      />
      <path v-else d="M0 40 L-2 40 Q-10 22 0 2 Z" class="line solid" />
    </g>
    <g v-for="(item, k) in above" :key="item.piece" :transform="`translate(${PLATE.x} ${item.y})`">
      <title>{{ item.piece }}</title>
      <g :transform="k === 0 ? 'rotate(90)' : 'rotate(-90)'">
        <path d="M0 -8 V44" class="handle" />
        <ellipse v-if="kindOf(item.piece) === 'spoon'" cx="0" cy="-22" rx="8" ry="14" class="line" />
        <path v-else d="M-7 -36 V-20 Q-7 -8 0 -8 Q7 -8 7 -20 V-36 M0 -36 V-12" class="line" />
      </g>
    </g>
    <g v-for="glass in glasses" :key="glass.piece">
      <title>{{ glass.piece }}</title>
      <circle :cx="glass.x" :cy="glass.y" :r="glass.r" class="line" />
      <circle :cx="glass.x" :cy="glass.y" :r="glass.r - 6" class="line thin" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 32rem;
}

.line {
  fill: var(--card);
  stroke: var(--ink);
  stroke-width: 2;
}

.thin {
  stroke-width: 1;
}

.solid {
  fill: var(--ink);
}

.handle {
  fill: none;
  stroke: var(--ink);
  stroke-width: 5;
  stroke-linecap: round;
}
</style>
