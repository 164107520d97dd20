<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { useShop } from '../state/shopStore';
import PatternDrop from './PatternDrop.vue';
import PatternIndex from './page/PatternIndex.vue';
import PatternPage from './page/PatternPage.vue';

/** All patterns of the shop, or one of them. */
const props = defineProps<{ id?: string }>();
const shop = useShop();
const router = useRouter();
const pattern = computed(() => shop.patterns.find((p) => p.id === props.id));
</script>

<template>
  <div class="page">
    <PatternPage v-if="pattern" :pattern="pattern" />
    <template v-else>
      <div class="page-head"><h1>Patterns</h1></div>
      <PatternDrop
        :compact="shop.patterns.length > 0"
        @kept="(kept) => router.push(`/patterns/${kept.id}`)"
      />
      <PatternIndex v-if="shop.patterns.length > 0" />
    </template>
  </div>
</template>
