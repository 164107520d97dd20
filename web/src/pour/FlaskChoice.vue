<script setup lang="ts">
import { computed } from 'vue';
import PickRow from '../components/PickRow.vue';
import { usePour } from '../state/usePour';

/** Which flask of the pour is shown, where it fills several. */
const { plan, flask, chooseFlask } = usePour();
const flasks = computed(() =>
  plan.value.flasks.map(({ context }, i) => ({
    key: context.decided.key,
    name: `Flask ${i + 1}${context.flask ? `, ${context.flask.name}` : ''}`,
  })),
);
</script>

<template>
  <PickRow
    v-if="plan.flasks.length > 1"
    label="Flask shown"
    :things="flasks"
    :picked="flask.context.decided.key"
    @pick="chooseFlask"
  />
</template>
