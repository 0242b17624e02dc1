<script setup lang="ts">
import { isTableLaid, PIECES, tablePlace, withTableLaid, type Piece } from '../../../core/gather';
import type { DinnerFile } from '../../../core/dinner';
import { useDinner } from '../../stores/dinner';

/** A place at the table, from the menu; each course may be laid otherwise. */
const store = useDinner();
const place = computed(() => tablePlace(store.dinner!));
const isLaid = computed(() => isTableLaid(store.file as DinnerFile));
const lay = () => store.compose(withTableLaid);
const setPieces = (course: number, pieces: Piece[] | undefined) =>
  store.change([{ path: `courses[${course}].place`, value: pieces }]);
const isOwn = (course: number) =>
  (store.dinner!.courses[course] as { place?: unknown } | undefined)?.place !== undefined;
</script>

<template>
  <section aria-labelledby="table-title" class="table">
    <h2 id="table-title">The table</h2>
    <div class="card drawn">
      <PlaceSetting :place="place" />
      <p>{{ store.dinner!.guests }} places like this. Cutlery is used from the outside in.</p>
      <p v-if="isLaid" class="soft">Laying the table is a step of this evening.</p>
      <el-button v-else type="primary" class="no-print" @click="lay"
        >Make laying it a step of the evening</el-button
      >
    </div>
    <ul aria-label="What each course wants">
      <li v-for="(course, k) in place.courses" :key="course.course" class="card">
        <h3>{{ course.name }}</h3>
        <p>{{ course.pieces.join(', ') || 'nothing' }}: {{ course.reason }}.</p>
        <p v-if="course.plates !== 'as they are'" class="soft">
          {{ course.plates === 'warm' ? 'Warm' : 'Chilled' }}
          {{ { plate: 'plates', bowl: 'bowls', glass: 'glasses' }[course.vessel] }}.
        </p>
        <div class="row no-print">
          <el-select
            :model-value="[...course.pieces]"
            multiple
            :aria-label="`Laid for ${course.name}`"
            @change="(pieces: Piece[]) => setPieces(k, pieces)"
          >
            <el-option v-for="piece in PIECES" :key="piece" :value="piece" :label="piece" />
          </el-select>
          <el-button v-if="isOwn(k)" @click="setPieces(k, undefined)">As usual</el-button>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.table {
  display: grid;
  gap: 0.75rem;
}

.drawn {
  display: grid;
  gap: 0.5rem;
  justify-items: center;
}

ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(20rem, 100%), 1fr));
  gap: 0.75rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.row :deep(.el-select) {
  flex: 1;
  min-width: 12rem;
}
</style>
