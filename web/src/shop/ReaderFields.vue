<script setup lang="ts">
import type { HandDevice, Readers } from '@zero-pour/contracts';
import { onMounted } from 'vue';
import { useDevices } from '../state/deviceStore';
import { useNotices } from '../state/notices';
import ReaderAddress from './ReaderAddress.vue';

/** Where the shop's balance and thermometer answer; empty: they are read by eye. */
const props = defineProps<{ readers: Readers | undefined }>();
const emit = defineEmits<{ change: [readers: Readers] }>();
const devices = useDevices();
const notices = useNotices();
onMounted(() => void devices.look().catch(notices.wrong));
const KINDS: readonly HandDevice[] = ['balance', 'thermometer'];
const addressOf = (kind: HandDevice): string => props.readers?.[`${kind}Url`] ?? '';
const set = (kind: HandDevice, url: string): void => {
  const { [`${kind}Url` as const]: _before, ...rest } = props.readers ?? {};
  emit('change', url === '' ? rest : { ...rest, [`${kind}Url`]: url });
};
</script>

<template>
  <div class="form-grid roomy">
    <ReaderAddress
      v-for="kind of KINDS"
      :key="kind"
      :kind="kind"
      :address="addressOf(kind)"
      :stand-in="devices.standIns && `${devices.standIns}/${kind}`"
      @change="(address) => set(kind, address)"
    />
  </div>
</template>
