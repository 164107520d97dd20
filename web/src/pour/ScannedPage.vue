<script setup lang="ts">
import { pourIdSchema } from '@zero-pour/contracts';
import { ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { request } from '../api/request';
import { usePours } from '../state/pourStore';

/** Where the code on a label leads: its pour by the number, so that the code stays small enough for a small label. */
const props = defineProps<{ number: string }>();
const router = useRouter();
const { pours } = usePours();
const trouble = ref('');

const idOf = async (number: number): Promise<string> =>
  [...pours.values()].find((pour) => pour.number === number)?.id ??
  (await request(pourIdSchema, 'GET', `/pours/number/${number}`)).id;
watch(
  () => Number(props.number),
  async (number) => {
    trouble.value = '';
    try {
      await router.replace(`/pours/${await idOf(number)}`);
    } catch (error) {
      trouble.value = (error as Error).message;
    }
  },
  { immediate: true },
);
</script>

<template>
  <div class="page">
    <h1>Pour {{ number }}</h1>
    <p v-if="trouble" role="alert">{{ trouble }} <router-link to="/record">To the record</router-link></p>
    <p v-else class="mute">One moment …</p>
  </div>
</template>
