import type { Page } from '@playwright/test';

/** Lets a file fall on the page, as from a folder's window. */
export async function drop(page: Page, name: string, bytes: Buffer): Promise<void> {
  await page.evaluate(`{
    const bytes = Uint8Array.from(atob('${bytes.toString('base64')}'), (c) => c.charCodeAt(0));
    const data = new DataTransfer();
    data.items.add(new File([bytes], '${name}'));
    document.body.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
  }`);
}
