<script setup lang="ts">
definePageMeta({ redirect: '/evening' });
</script>

<template>
  <div />
</template>
