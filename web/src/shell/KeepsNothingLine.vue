<script setup lang="ts">
import { keepsNothing } from '../api/keepsNothing';
import OverLine from './OverLine.vue';

/** While the machine refuses to keep anything: whoever types here is the one who can see to it, or call who can. */
</script>

<template>
  <OverLine> <strong>Nothing is kept on the shop’s machine just now.</strong> {{ keepsNothing }} </OverLine>
</template>
