import { expect, type Locator, type Page } from '@playwright/test';

/** Types into a field as a person does, and leaves it. */
export async function type(scope: Page | Locator, label: string | RegExp, text: string): Promise<void> {
  const field = scope.getByRole('textbox', { name: label }).first();
  await field.fill(text);
  await field.blur();
}

/** Opens a list by key and chooses by its words. */
export async function choose(
  page: Page,
  label: string,
  option: string | RegExp,
  scope: Page | Locator = page,
): Promise<void> {
  await scope.getByRole('combobox', { name: label }).first().focus();
  await page.keyboard.press('ArrowDown');
  await page.getByRole('option', { name: option }).first().click();
}

/** Adds a thing from the book on a page of the shop. */
export async function addFromBook(page: Page, button: string, entry?: string): Promise<void> {
  await page.getByRole('button', { name: button, exact: true }).click();
  if (!entry) return;
  await page
    .getByRole('listitem')
    .filter({ hasText: entry })
    .or(page.locator('.v-list-item', { hasText: entry }))
    .first()
    .click();
  // Opening the new thing closes whatever list is open: the next one is opened after that.
  await expect(page.getByRole('heading', { name: entry }).first()).toBeVisible();
}

/** A line of the ticket, by its label. */
export const ticketLine = (page: Page, label: string): Locator =>
  page
    .getByRole('complementary', { name: 'Ticket' })
    .locator('.row', { has: page.getByText(label, { exact: true }) });

/** Waits until everything typed has been acknowledged. */
export async function allKept(page: Page): Promise<void> {
  await expect(page.getByRole('status').filter({ hasText: /^kept$/ })).toBeVisible();
}

/** Pages of a PDF that the browser made. */
export const pagesOf = (pdf: Buffer): number =>
  pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)?.length ?? 0;
