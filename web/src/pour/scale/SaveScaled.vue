<script setup lang="ts">
import type { SaveFormat } from '@zero-pour/jobs';
import { nameOfPart, type ScalePlan } from '@zero-pour/plan';
import { computed, shallowRef } from 'vue';
import { saveScaled, scaledName } from '../../pattern';
import { useNotices } from '../../state/notices';
import { usePour } from '../../state/usePour';

/** The pattern itself at print size, so that nothing has to be typed into another program. */
const props = defineProps<{
  scale: ScalePlan;
  /** Turned as it is printed, on the plate. */
  standing?: boolean;
}>();
const { pour, plan } = usePour();
const notices = useNotices();
const busy = shallowRef('');
const parts = computed(() => plan.value.context.parts);
const label = (name: string): string => {
  const what = parts.value.length > 1 ? name : 'The pattern';
  return props.standing ? `${what} as it stands, at print size` : `${what} at print size`;
};

async function save(index: number, to: SaveFormat): Promise<void> {
  const part = parts.value[index];
  if (!part) return;
  busy.value = `${part.key} ${to}`;
  try {
    const rotation = part.rotation;
    const ring = pour.value.doc.brief.sizes.find((size) => size.ring && size.holds)?.ring;
    const { percents } = props.scale;
    const name = scaledName(part.pattern.name, percents, ring, to, props.standing);
    await saveScaled(part.pattern, { percents, rotation, standing: props.standing }, to, name);
    notices.tell(`${name} is saved, in mm. Print it at 100 %.`);
  } catch (error) {
    notices.wrong(error);
  } finally {
    busy.value = '';
  }
}
</script>

<template>
  <div v-for="(part, i) in parts" :key="part.key" class="save">
    <span>{{ label(nameOfPart(part, parts)) }}</span>
    <v-btn
      v-for="to in ['stl', '3mf'] as const"
      :key="to"
      size="small"
      :loading="busy === `${part.key} ${to}`"
      :aria-label="`Save ${nameOfPart(part, parts)}, ${standing ? 'standing' : 'scaled'}, as ${to.toUpperCase()}`"
      @click="save(i, to)"
    >
      Save {{ to.toUpperCase() }}
    </v-btn>
  </div>
</template>

<style scoped>
.save {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-top: 10px;
}
.save span {
  color: var(--mute);
  margin-right: 4px;
}
</style>
