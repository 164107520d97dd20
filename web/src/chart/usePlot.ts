import { useElementSize } from '@vueuse/core';
import { onScopeDispose, shallowRef, watch, type Ref } from 'vue';
import { CHART_CONFIG, loadPlotly, type Data, type Layout } from './plotly';

/** A drawn chart says where it was clicked. */
type Clickable = HTMLElement & { on?: (name: string, act: (event: unknown) => void) => void };

/**
 * Draws a chart into a box as its data, its layout or its width change; `ready` once it stands. `clicked` is told the
 * x of a clicked point.
 */
export function usePlot(
  box: Readonly<Ref<HTMLElement | null>>,
  data: () => Data[],
  layout: () => Partial<Layout>,
  clicked?: (x: number) => void,
): { ready: Ref<boolean>; width: Ref<number> } {
  const { width } = useElementSize(box);
  const ready = shallowRef(false);
  let plotly: Awaited<ReturnType<typeof loadPlotly>> | undefined;

  async function draw(): Promise<void> {
    if (!box.value || width.value === 0) return;
    plotly ??= await loadPlotly();
    if (!box.value) return;
    await plotly.react(box.value, data(), { ...layout(), width: width.value }, CHART_CONFIG);
    if (ready.value) return;
    ready.value = true;
    (box.value as Clickable).on?.('plotly_click', (event) => {
      const point = (event as { points: { x: number }[] }).points[0];
      if (point) clicked?.(point.x);
    });
  }
  watch([data, layout, width, box], () => void draw(), { immediate: true, flush: 'post' });
  onScopeDispose(() => {
    if (box.value) plotly?.purge(box.value);
  });
  return { ready, width };
}
