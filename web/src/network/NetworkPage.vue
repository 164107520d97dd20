<script setup lang="ts">
import { NETWORK_PORT, networkStateSchema, PASSCODE_LENGTH, type NetworkState } from '@zero-pour/contracts';
import { computed, shallowRef } from 'vue';
import { request, RequestError, sentenceOf, signOut } from '../api/request';
import CodePicture from '../components/CodePicture.vue';
import { useSlowNow } from '../state/clock';
import { formatMoment } from '../time/formatMoment';

const state = shallowRef<NetworkState>();
const trouble = shallowRef('');
/** Asked from a phone: it is not told how the network is set up. */
const isElsewhere = shallowRef(false);
const passcode = shallowRef('');
const chosen = shallowRef<string>();
const port = shallowRef(NETWORK_PORT);
const now = useSlowNow();

const address = computed(
  () => chosen.value ?? state.value?.address ?? state.value?.addresses[0]?.address ?? undefined,
);
const addresses = computed(() =>
  (state.value?.addresses ?? []).map((one) => ({
    value: one.address,
    title: `${one.address} (${one.name})`,
  })),
);
const isOn = computed(() => state.value?.url !== null && state.value?.url !== undefined);
const longEnough = computed(() => passcode.value.length >= PASSCODE_LENGTH[0]);

async function ask(method: 'GET' | 'PUT' | 'DELETE', at: string, body?: unknown): Promise<void> {
  trouble.value = '';
  try {
    state.value = await request(networkStateSchema, method, at, body);
    port.value = state.value.port;
  } catch (error) {
    if (error instanceof RequestError && error.code === 'ONLY_HERE') isElsewhere.value = true;
    trouble.value = sentenceOf(error);
  }
}
async function keepPasscode(): Promise<void> {
  await ask('PUT', '/network/passcode', { passcode: passcode.value });
  if (trouble.value === '') passcode.value = '';
}
const turnOn = (): Promise<void> =>
  ask('PUT', '/network/on', { address: address.value, port: Number(port.value) });
const turnOff = (): Promise<void> => ask('DELETE', '/network/on');
const end = (id?: string): Promise<void> => ask('DELETE', `/network/devices${id ? `/${id}` : ''}`);
const leave = (): Promise<void> =>
  signOut().catch((error: unknown) => void (trouble.value = sentenceOf(error)));
void ask('GET', '/network');
</script>

<template>
  <section class="network">
    <h1>Phones and other machines of the shop</h1>
    <template v-if="isElsewhere">
      <p class="mb-3">{{ trouble }}</p>
      <v-btn @click="leave">Sign this device out</v-btn>
    </template>
    <p v-else-if="!state" class="mute">{{ trouble || 'Looking …' }}</p>
    <template v-else>
      <p class="stand" role="status">
        <template v-if="isOn">
          <b>Open to the shop’s network</b> at <span class="num">{{ state.url }}</span>
        </template>
        <template v-else-if="state.trouble"
          ><b>Turned on, but it does not answer.</b> {{ state.trouble }}</template
        >
        <template v-else><b>Off.</b> Only this machine reaches Zero Pour.</template>
      </p>
      <p v-if="trouble" class="tone stop" role="alert">{{ trouble }}</p>

      <div v-if="isOn" class="open">
        <CodePicture class="code" :text="state.url!" :label="`Code of ${state.url}`" />
        <div>
          <h2>On the phone</h2>
          <ol>
            <li>Scan the code, or type the address. The phone must be in the same network.</li>
            <li>
              It warns that nobody vouches for the certificate: this machine made it itself. Compare its
              SHA-256 fingerprint before you go on:
              <span class="num print">{{ state.fingerprint }}</span>
            </li>
            <li>Give the shop’s passcode. The phone stays signed in for 30 days.</li>
          </ol>
          <p>
            <b>Take care.</b> Whoever has the passcode reads and changes the whole shop. Use a network that
            you trust, never a guests’ one or a public one.
          </p>
          <v-btn class="mt-2" @click="turnOff">Turn it off</v-btn>
        </div>
      </div>

      <section class="stage-block">
        <h2>Passcode</h2>
        <p class="mute mb-3">
          {{
            state.hasPasscode
              ? 'The shop has one. A new one signs all devices out.'
              : 'Without one nobody is let in.'
          }}
          Only a hash of it is kept: write it down where strangers do not look.
        </p>
        <form class="row" @submit.prevent="keepPasscode">
          <v-text-field
            v-model="passcode"
            :label="state.hasPasscode ? 'A new passcode' : 'A passcode of the shop'"
            :hint="`At least ${PASSCODE_LENGTH[0]} characters`"
            persistent-hint
            autocomplete="off"
            :maxlength="PASSCODE_LENGTH[1]"
          />
          <v-btn type="submit" :disabled="!longEnough">Keep it</v-btn>
        </form>
      </section>

      <section v-if="!isOn" class="stage-block">
        <h2>Open it</h2>
        <p v-if="state.addresses.length === 0" class="mb-2">
          This machine is in no network just now: connect it, then look here again.
        </p>
        <form v-else class="row" @submit.prevent="turnOn">
          <v-select
            label="On which address"
            :items="addresses"
            :model-value="address"
            @update:model-value="(to: string) => (chosen = to)"
          />
          <v-text-field v-model="port" label="Port" inputmode="numeric" class="port" />
          <v-btn type="submit" variant="flat" :disabled="!state.hasPasscode">Turn it on</v-btn>
        </form>
        <p v-if="!state.hasPasscode" class="mute">Give the shop a passcode first.</p>
      </section>

      <section class="stage-block">
        <h2>Signed in</h2>
        <p v-if="state.devices.length === 0" class="mute">No device is signed in.</p>
        <table v-else class="plain">
          <thead>
            <tr>
              <th>Device</th>
              <th>Signed in</th>
              <th>Last seen</th>
              <th>Ends</th>
              <th />
            </tr>
          </thead>
          <tbody>
            <tr v-for="device in state.devices" :key="device.id">
              <td>{{ device.name || 'without a name' }}</td>
              <td class="num">{{ formatMoment(Date.parse(device.signedInAt), now) }}</td>
              <td class="num">{{ formatMoment(Date.parse(device.seenAt), now) }}</td>
              <td class="num">{{ formatMoment(Date.parse(device.endsAt), now) }}</td>
              <td>
                <button type="button" class="text-button" @click="end(device.id)">Sign it out</button>
              </td>
            </tr>
          </tbody>
        </table>
        <v-btn v-if="state.devices.length > 1" class="mt-2" @click="end()">Sign all out</v-btn>
      </section>
    </template>
  </section>
</template>

<style scoped>
.network {
  max-width: 900px;
}
.stand {
  margin: 10px 0 14px;
  font-size: 16px;
}
.open {
  display: grid;
  grid-template-columns: 220px 1fr;
  gap: 22px;
  margin-bottom: 10px;
}
.code {
  border: 1px solid var(--line2);
}
.print {
  display: block;
  overflow-wrap: anywhere;
  font-size: 13px;
}
li {
  margin-bottom: 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: start;
}
.row > * {
  flex: 1 1 220px;
}
.row > .v-btn {
  flex: 0 0 auto;
  margin-top: 6px;
}
.row > .port {
  flex: 0 1 130px;
}
.tone {
  color: var(--tone);
}
@media (max-width: 700px) {
  .open {
    grid-template-columns: 1fr;
  }
  .code {
    max-width: 260px;
  }
}
</style>
