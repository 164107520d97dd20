<script setup lang="ts">
import type { Resin } from '@zero-pour/contracts';
import { itemFrom } from '../../shop';
import { useNotices } from '../../state/notices';
import { useShop } from '../../state/shopStore';
import { useThenOpen } from '../../state/useThenOpen';

/** Same again, retire, take out. */
const props = defineProps<{ resin: Resin }>();
const shop = useShop();
const thenOpen = useThenOpen();
const notices = useNotices();

async function run(act: () => Promise<unknown>): Promise<void> {
  await act().catch((error: unknown) => notices.wrong(error));
}
/** Another like it begins with its own bottles, vats and figures from others: those belong to the one it was copied from. */
const again = (): Promise<boolean> =>
  thenOpen(async () => {
    const { id, ...fields } = props.resin;
    const copy = itemFrom<'resin'>(
      { ...fields, againOfId: id, bottles: [], vats: [], retired: false },
      shop.lists.resin,
    );
    await shop.keepItem('resin', copy);
    return `/resins/${copy.id}/record`;
  });
const retire = (): Promise<void> =>
  run(async () => {
    const { resin } = props;
    await shop.keepItem('resin', { ...resin, retired: !resin.retired });
    notices.tell(
      resin.retired ? `${resin.name} is back in use.` : `${resin.name} is retired: kept, no longer offered.`,
      {
        label: 'Undo',
        run: () => void run(() => shop.keepItem('resin', resin)),
      },
    );
  });
const remove = (): Promise<boolean> =>
  thenOpen(async () => {
    const { resin } = props;
    await shop.removeItem('resin', resin.id);
    notices.tell(`${resin.name} is taken out.`, {
      label: 'Undo',
      run: () => void run(() => shop.keepItem('resin', resin)),
    });
    return '/resins';
  });
</script>

<template>
  <div class="actions no-print">
    <router-link :to="`/resins/${resin.id}/sheet`">Sheet to share</router-link>
    <button type="button" class="text-button" @click="again">Same again, but …</button>
    <button type="button" class="text-button" @click="retire">
      {{ resin.retired ? 'Use again' : 'Retire' }}
    </button>
    <button type="button" class="text-button" @click="remove">Take out</button>
  </div>
</template>

<style scoped>
.actions {
  display: flex;
  gap: 16px;
}
</style>
