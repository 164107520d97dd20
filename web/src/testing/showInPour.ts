import type { PourDoc } from '@zero-pour/contracts';
import type { PourPlan } from '@zero-pour/plan';
import type { VueWrapper } from '@vue/test-utils';
import { defineComponent, h, type Component } from 'vue';
import { providePour, type PourHandle } from '../state/usePour';
import type { FakeShop } from './fakeServer';

/** Something of a pour on show, with the pour behind it. */
export interface ShownInPour {
  page: VueWrapper;
  handle: PourHandle;
  /** The pour's document as it stands now. */
  doc(): PourDoc;
}

/** Shows a part of an open pour's page, with what it is given of the plan. */
export function showInPour(
  shop: FakeShop,
  number: number,
  component: Component,
  propsOf: (plan: PourPlan) => object = () => ({}),
): ShownInPour {
  const found = shop.file.pours.find((pour) => pour.number === number);
  if (!found) throw new Error(`no pour ${number} in the demo shop`);
  let handle: PourHandle | undefined;
  const Host = defineComponent({
    setup() {
      handle = providePour(() => found.id);
      return () => h(component, propsOf(handle!.plan.value));
    },
  });
  const page = shop.show(Host);
  return { page, handle: handle!, doc: () => handle!.pour.value.doc };
}

/** Text of a page with its blanks made one. */
export const flatText = (of: VueWrapper): string => of.text().replace(/\s+/g, ' ');

/** The button with this text. */
export function buttonOf(of: VueWrapper, text: string) {
  const found = of.findAll('button').find((button) => button.text().replace(/\s+/g, ' ') === text);
  if (!found) throw new Error(`no button “${text}”`);
  return found;
}

/** The input of the field with this label; of the n-th when there are several. */
export function fieldOf(of: VueWrapper, label: string, n = 0) {
  const fields = of
    .findAll('.v-input')
    .filter((input) => input.find('label').exists() && input.find('label').text() === label);
  const input = fields[n]?.find('input, textarea');
  if (!input) throw new Error(`no field “${label}”`);
  return input;
}

/** Types into a field as a person does, and leaves it. */
export async function typeInto(of: VueWrapper, label: string, text: string, n = 0): Promise<void> {
  const field = fieldOf(of, label, n);
  await field.setValue(text);
  await field.trigger('blur');
}

/** Opens the part of a page with this title, as a press on it does. */
export async function unfold(of: VueWrapper, title: string): Promise<void> {
  const details = of.findAll('details').find((one) => one.find('summary').text().includes(title));
  if (!details) throw new Error(`nothing to open called “${title}”`);
  (details.element as HTMLDetailsElement).open = true;
  await details.trigger('toggle');
}
