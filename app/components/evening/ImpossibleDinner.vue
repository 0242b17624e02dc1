<script setup lang="ts">
import { useDinner } from '../../stores/dinner';

const store = useDinner();
</script>

<template>
  <section class="impossible card" aria-labelledby="impossible-title">
    <h2 id="impossible-title">This dinner cannot be cooked as it stands</h2>
    <p>These cannot hold together:</p>
    <ul>
      <li v-for="conflict in store.plan?.conflict ?? []" :key="conflict.text">{{ conflict.text }}</li>
    </ul>
    <template v-if="store.plan?.remedies?.length">
      <p>Each of these was tried and makes it possible:</p>
      <ul class="remedies">
        <li v-for="remedy in store.plan.remedies" :key="remedy.text">
          <el-button @click="store.change(remedy.change)">{{ remedy.text }}</el-button>
        </li>
      </ul>
    </template>
    <p v-else>No single change that was tried makes it possible. Leave out a dish, or begin earlier.</p>
  </section>
</template>

<style scoped>
.impossible {
  display: grid;
  gap: 0.75rem;
  max-width: 50rem;
  margin: 1rem auto;
}

.remedies {
  display: grid;
  gap: 0.5rem;
  padding: 0;
  list-style: none;
}
</style>
