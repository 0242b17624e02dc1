<script setup lang="ts">
import { VueDraggable } from 'vue-draggable-plus';
import {
  withCard,
  withCourse,
  withCourseMoved,
  withDishMoved,
  withoutCourse,
  withoutDish,
} from '../../../core/compose';
import type { DinnerFile } from '../../../core/dinner';
import { useCards } from '../../stores/cards';
import { useDinner } from '../../stores/dinner';
import { useCourses } from '../../composables/useCourses';

defineProps<{ costs: ReadonlyMap<string, string> }>();
const store = useDinner();
const cards = useCards();
const courses = useCourses();
const dinner = computed(() => store.dinner!);
const newCourse = ref('');

/** What lies on each course: ids of dishes, or of cards that are just dropped. A copy, for dragging. */
const lists = ref<string[][]>([]);
const CARD = 'card:';
const fill = () => (lists.value = dinner.value.courses.map((c) => [...c.dishes]));
watch(() => store.file, fill, { immediate: true });

/** Takes over what dragging has made of the lists, once the list that it came from has let go of it too. */
async function takeOver(): Promise<void> {
  await nextTick();
  const wanted = lists.value.map((list) => [...list]);
  await store.compose((file: DinnerFile) =>
    wanted.reduce((left, list, c) => {
      const course = left.courses[c]!.id;
      return list.reduce((made, entry, at) => {
        if (!entry.startsWith(CARD)) return withDishMoved(made, entry, course, at);
        const card = cards.cards.find((k) => k.id === entry.slice(CARD.length));
        if (!card) return made;
        const added = withCard(made, card.card, course);
        return withDishMoved(added, added.courses[c]!.dishes.at(-1)!, course, at);
      }, left);
    }, file),
  );
  fill();
}

type Act = { do: 'move'; course: number; to: number } | { do: 'remove' };

function act(dish: string, { ...what }: Act): void {
  void store.compose((file: DinnerFile) =>
    what.do === 'remove'
      ? withoutDish(file, dish)
      : withDishMoved(file, dish, file.courses[what.course]!.id, what.to),
  );
}

const rename = (c: number, name: string) => store.change([{ path: `courses[${c}].name`, value: name }]);

function addCourse(): void {
  const name = newCourse.value.trim() || 'One more course';
  newCourse.value = '';
  void store.compose((file: DinnerFile) => withCourse(file, name));
}

const moveCourse = (from: number, to: number) =>
  store.compose((file: DinnerFile) => withCourseMoved(file, from, to));
const removeCourse = (id: string) => store.compose((file: DinnerFile) => withoutCourse(file, id));
</script>

<template>
  <section aria-labelledby="courses-title">
    <h2 id="courses-title">Courses</h2>
    <ol class="courses">
      <li
        v-for="(course, c) in dinner.courses"
        :key="course.id"
        class="card"
        :style="{ '--colour': courses.colour(course.id) }"
      >
        <div class="head">
          <NameInput
            class="name"
            :model-value="course.name"
            maxlength="40"
            :aria-label="`Name of course ${c + 1}`"
            @update:model-value="(name) => rename(c, name)"
          />
          <el-button :disabled="c === 0" :aria-label="`${course.name} earlier`" @click="moveCourse(c, c - 1)"
            >↑</el-button
          >
          <el-button
            :disabled="c === dinner.courses.length - 1"
            :aria-label="`${course.name} later`"
            @click="moveCourse(c, c + 1)"
            >↓</el-button
          >
          <el-button
            :disabled="dinner.courses.length < 2"
            :aria-label="`Without the course ${course.name}`"
            @click="removeCourse(course.id)"
            >×</el-button
          >
        </div>
        <CoursePace :course="c" />
        <VueDraggable
          v-model="lists[c]!"
          tag="ul"
          group="dishes"
          handle=".grip"
          :animation="120"
          :aria-label="`Dishes of ${course.name}`"
          @add="takeOver"
          @update="takeOver"
        >
          <li v-for="(id, at) in lists[c]" :key="id" class="dish">
            <CourseDish
              :id="id"
              :cost="costs.get(id)"
              :is-first="at === 0"
              :is-last="at === (lists[c]?.length ?? 0) - 1"
              :course="c"
              @move="(to, where) => act(id, { do: 'move', course: where, to: where === c ? at + to : 99 })"
              @remove="act(id, { do: 'remove' })"
            />
          </li>
        </VueDraggable>
        <p v-if="course.dishes.length === 0" class="soft">
          Nothing on it yet. Drag a dish here, or choose one on the left.
        </p>
      </li>
    </ol>
    <form class="more" @submit.prevent="addCourse">
      <el-input v-model="newCourse" placeholder="One more course" aria-label="Name of one more course" />
      <el-button native-type="submit">Add the course</el-button>
    </form>
  </section>
</template>

<style scoped>
.courses {
  display: grid;
  gap: 0.75rem;
  margin: 0.75rem 0;
  padding: 0;
  list-style: none;
}

.courses > li {
  border-left: 6px solid var(--colour);
}

.head {
  display: flex;
  gap: 0.25rem;
}

.head :deep(.el-button + .el-button) {
  margin-left: 0;
}

.name :deep(input) {
  font: 600 1.1rem var(--serif);
  color: var(--colour);
}

ul {
  display: grid;
  gap: 0.25rem;
  min-height: 44px;
  margin: 0.5rem 0 0;
  padding: 0;
  list-style: none;
}

.more {
  display: flex;
  gap: 0.5rem;
  max-width: 26rem;
}
</style>
