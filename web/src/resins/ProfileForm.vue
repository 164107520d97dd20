<script setup lang="ts">
import type { Profile } from '@zero-pour/contracts';
import ItemForm from '../shop/ItemForm.vue';
import { useItemEdit } from '../shop/useItemEdit';

const props = defineProps<{ profile: Profile; readonly?: boolean }>();
const { item, change } = useItemEdit(
  () => 'profile' as const,
  () => props.profile,
);
</script>

<template>
  <ItemForm v-if="item" kind="profile" :item="item" :readonly="readonly" @change="change" />
</template>
