<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { useNamedPatterns } from '../state/useNamedPatterns';
import { useShop } from '../state/shopStore';
import UnreadLines from '../components/UnreadLines.vue';
import PatternDrop from './PatternDrop.vue';
import PatternIndex from './page/PatternIndex.vue';
import PatternPage from './page/PatternPage.vue';

/** All patterns of the shop, or one of them. */
const props = defineProps<{ id?: string }>();
const shop = useShop();
const router = useRouter();
const pattern = computed(() => shop.wholePatterns.find((p) => p.id === props.id));
const broken = computed(() => shop.unread.find(({ kind, id }) => kind === 'pattern' && id === props.id));
const isComing = computed(() => props.id && (shop.wantsMore || shop.patterns.some((p) => p.id === props.id)));
// Of a large shop one that is opened by its address comes by itself, before the others.
useNamedPatterns(() => [props.id]);
</script>

<template>
  <div class="page">
    <PatternPage v-if="pattern" :pattern="pattern" />
    <UnreadLines v-else-if="broken" :unread="[broken]" />
    <p v-else-if="isComing" class="mute" role="status">Fetching the pattern …</p>
    <template v-else>
      <div class="page-head"><h1>Patterns</h1></div>
      <PatternDrop
        :compact="shop.patterns.length > 0"
        @kept="(kept) => router.push(`/patterns/${kept.id}`)"
      />
      <p v-if="shop.wantsMore" class="mute mt-4" role="status">Fetching the shop’s patterns …</p>
      <PatternIndex v-else-if="shop.patterns.length > 0" />
    </template>
  </div>
</template>
