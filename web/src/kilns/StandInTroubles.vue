<script setup lang="ts">
import type { Troubles } from '@zero-pour/contracts';
import { reactive } from 'vue';
import { useDevices } from '../state/deviceStore';
import { useNotices } from '../state/notices';

/** What a stand-in can be told to suffer, and how fast its time goes: to try what the plan says then. */
const props = defineProps<{ kilnId: string; pace: number }>();
const devices = useDevices();
const notices = useNotices();

type Lasting = 'powerOut' | 'stuckOn' | 'failsToCool' | 'doorOpen' | 'probeLost';
const LASTING: Record<Lasting, string> = {
  powerOut: 'Power out',
  stuckOn: 'Relay sticks',
  failsToCool: 'Fails to cool',
  doorOpen: 'Door open',
  probeLost: 'Thermocouple lost',
};
/** Real time; and a night in two minutes. */
const PACES = [1, 10, 60, 360] as const;
const on = reactive<Partial<Record<Lasting, boolean>>>({});
const tell = (troubles: Troubles): Promise<void> =>
  devices.trouble(props.kilnId, troubles).catch((error: unknown) => notices.wrong(error));
function turn(trouble: Lasting): void {
  on[trouble] = !on[trouble];
  void tell({ [trouble]: on[trouble] });
}
</script>

<template>
  <div class="acts" role="group" aria-label="What the stand-in suffers">
    <span class="mute">Try it:</span>
    <v-btn
      v-for="(name, trouble) in LASTING"
      :key="trouble"
      size="small"
      :variant="on[trouble] ? 'flat' : 'outlined'"
      :aria-pressed="on[trouble] === true"
      @click="turn(trouble)"
      >{{ name }}</v-btn
    >
    <v-btn size="small" @click="tell({ linkOutS: 20 })">Link out for 20 s</v-btn>
    <v-btn size="small" @click="tell({ driftC: 15 })">Reads 15 °C too low</v-btn>
  </div>
  <div class="acts" role="group" aria-label="How fast its time goes">
    <span class="mute">Its time, times:</span>
    <v-btn
      v-for="times in PACES"
      :key="times"
      size="small"
      :variant="pace === times ? 'flat' : 'outlined'"
      :aria-pressed="pace === times"
      @click="tell({ pace: times })"
      >{{ times }}</v-btn
    >
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 12px;
}
</style>
