<script setup lang="ts">
import { shallowRef } from 'vue';
import { sentenceOf, signIn } from '../api/request';

/** What a device of the network sees until it has given the shop's passcode. */
const passcode = shallowRef('');
const name = shallowRef('');
const trouble = shallowRef('');
const asking = shallowRef(false);

async function enter(): Promise<void> {
  asking.value = true;
  trouble.value = '';
  try {
    await signIn(passcode.value, name.value.trim());
  } catch (error) {
    trouble.value = sentenceOf(error);
  } finally {
    asking.value = false;
  }
}
</script>

<template>
  <form class="sign-in" @submit.prevent="enter">
    <h1>Zero Pour</h1>
    <p class="mute">
      This device is not signed in. What was typed on it and not kept yet is sent afterwards.
    </p>
    <v-text-field
      v-model="passcode"
      label="The shop’s passcode"
      type="password"
      autocomplete="current-password"
      autofocus
    />
    <v-text-field
      v-model="name"
      label="Whose device"
      :maxlength="120"
      hint="Stands in the shop’s list"
      persistent-hint
    />
    <p v-if="trouble" class="tone stop" role="alert">{{ trouble }}</p>
    <v-btn type="submit" variant="flat" size="large" :disabled="passcode === '' || asking">Sign in</v-btn>
  </form>
</template>

<style scoped>
.sign-in {
  display: grid;
  gap: 14px;
  max-width: 420px;
  margin: 8vh auto 0;
  padding: 0 20px;
}
.tone {
  color: var(--tone);
}
</style>
