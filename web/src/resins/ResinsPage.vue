<script setup lang="ts">
import { computed, onMounted } from 'vue';
import { useNotices } from '../state/notices';
import { useRecords } from '../state/recordStore';
import { useShop } from '../state/shopStore';
import ResinPage from './page/ResinPage.vue';
import ResinIndex from './ranking/ResinIndex.vue';

/** All resins with their ranking, or one of them. */
const props = defineProps<{ id?: string; view?: string }>();
const shop = useShop();
const records = useRecords();
const notices = useNotices();
const resin = computed(() => shop.lists.resin.find((r) => r.id === props.id));
onMounted(() => void records.load().catch(notices.wrong));
</script>

<template>
  <ResinPage v-if="resin" :key="resin.id" :resin="resin" :view="view" />
  <ResinIndex v-else />
</template>
