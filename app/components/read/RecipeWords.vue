<script setup lang="ts">
import type { ReadRecipe } from '../../../core/recipes';

/** The text that was read, its words marked by what they were taken for; each step's words lead to the step. */
const props = defineProps<{ recipe: ReadRecipe; steps: ReadonlySet<string>; current?: string | undefined }>();
const emit = defineEmits<{ choose: [step: string] }>();

const FIELDS = {
  minutes: 'how long',
  attention: 'what is done',
  check: 'how often it is looked at',
  uses: 'heat or tool',
  keeps: 'how long it keeps',
  probe: 'temperature in the middle',
  cue: 'the sign',
  after: 'when in the step before',
} as const;
type Field = keyof typeof FIELDS;

interface Piece {
  readonly text: string;
  readonly field: Field | null;
}
interface Stretch {
  readonly step: string | null;
  readonly pieces: readonly Piece[];
}

/** A stretch of text cut where its marks begin and end; of marks that overlap, the first counts. */
function piecesOf(
  from: number,
  to: number,
  marks: readonly { field: Field; from: number; to: number }[],
): Piece[] {
  const { text } = props.recipe;
  const pieces: Piece[] = [];
  let at = from;
  for (const mark of [...marks].sort((a, b) => a.from - b.from)) {
    if (mark.from < at || mark.to > to) continue;
    if (mark.from > at) pieces.push({ text: text.slice(at, mark.from), field: null });
    pieces.push({ text: text.slice(mark.from, mark.to), field: mark.field });
    at = mark.to;
  }
  if (at < to) pieces.push({ text: text.slice(at, to), field: null });
  return pieces;
}

interface Range {
  readonly step: ReadRecipe['steps'][number]['step'];
  readonly from: number;
  readonly to: number;
  readonly marks: readonly { field: Field; from: number; to: number }[];
}

/** What is told within the words of another step ("turning after 20 minutes") cuts these in two. */
function withInner(ranges: readonly Range[]): Range[] {
  const cut: Range[] = [];
  for (const range of ranges) {
    const last = cut.at(-1);
    if (!last || range.from >= last.to) cut.push(range);
    else if (range.from >= last.from && range.to <= last.to) {
      cut.pop();
      const around = [{ ...last, to: range.from }, range, { ...last, from: range.to }];
      cut.push(...around.filter((r) => r.to > r.from));
    }
  }
  return cut;
}

const stretches = computed((): Stretch[] => {
  const { text, steps } = props.recipe;
  const list: Stretch[] = [];
  let at = 0;
  const there = steps.filter((s) => props.steps.has(s.step.id));
  // What was said before the step, like the heat of the oven, belongs to it too.
  const apart = there.flatMap((s) =>
    s.marks
      .filter((m) => m.to <= s.from || m.from >= s.to)
      .map((m) => ({ step: s.step, from: m.from, to: m.to, marks: [m] })),
  );
  const told = [...there, ...apart].sort((a, b) => a.from - b.from);
  for (const { step, from, to, marks } of withInner(told)) {
    if (from > at) list.push({ step: null, pieces: piecesOf(at, from, []) });
    list.push({ step: step.id, pieces: piecesOf(from, to, marks) });
    at = to;
  }
  if (at < text.length) list.push({ step: null, pieces: piecesOf(at, text.length, []) });
  return list;
});

const links = useTemplateRef<HTMLElement[]>('links');
watch(
  () => props.current,
  (id) => links.value?.find((a) => a.dataset['step'] === id)?.scrollIntoView({ block: 'nearest' }),
);
</script>

<template>
  <section class="words card" aria-labelledby="words-title">
    <h2 id="words-title">What stands there</h2>
    <p class="soft">Marked words were understood; what has no words is a guess, and is called one.</p>
    <div class="text" tabindex="0" role="region" aria-label="The text that was read">
      <template v-for="(stretch, k) in stretches" :key="k">
        <a
          v-if="stretch.step"
          ref="links"
          :data-step="stretch.step"
          :href="`#${stretch.step}`"
          :class="{ current: stretch.step === current }"
          :aria-current="stretch.step === current ? 'true' : undefined"
          @click.prevent="emit('choose', stretch.step)"
          ><template v-for="(piece, p) in stretch.pieces" :key="p"
            ><mark v-if="piece.field" :class="piece.field" :title="FIELDS[piece.field]">{{ piece.text }}</mark
            ><template v-else>{{ piece.text }}</template></template
          ></a
        ><template v-else
          ><template v-for="(piece, p) in stretch.pieces" :key="p">{{ piece.text }}</template></template
        >
      </template>
    </div>
  </section>
</template>

<style scoped>
.words {
  position: sticky;
  top: 84px;
  display: grid;
  gap: 0.5rem;
  max-height: calc(100vh - 96px);
  grid-template-rows: auto auto minmax(0, 1fr);
}

.text {
  overflow-y: auto;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
  line-height: 1.75;
}

a {
  color: inherit;
  text-decoration: none;
}

a.current {
  background: var(--seat);
  box-shadow: -4px 0 0 var(--focus);
}

mark {
  border-bottom: 2px solid var(--accent);
  background: var(--seat);
  color: inherit;
}

/* Told apart by the line too: time is double, heat is broken, the rest is single. */
mark.minutes,
mark.keeps {
  border-bottom: 4px double var(--accent);
}

mark.uses,
mark.probe {
  border-bottom-style: dashed;
}

@media (max-width: 1000px) {
  .words {
    position: static;
    max-height: 24rem;
  }
}
</style>
