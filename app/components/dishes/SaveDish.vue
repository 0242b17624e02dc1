<script setup lang="ts">
/** A dish as a file of its own: whole, or as the recipe data that web pages carry. */
const emit = defineEmits<{ save: [as: 'dish' | 'data'] }>();
</script>

<template>
  <el-dropdown trigger="click" @command="(as: 'dish' | 'data') => emit('save', as)">
    <el-button>Save as a file</el-button>
    <template #dropdown>
      <el-dropdown-menu>
        <el-dropdown-item command="dish">The dish, to be taken in again</el-dropdown-item>
        <el-dropdown-item command="data">Recipe data (JSON-LD)</el-dropdown-item>
      </el-dropdown-menu>
    </template>
  </el-dropdown>
</template>
