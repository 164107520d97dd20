import { DEFAULT_SETTINGS, settingsSchema, type Settings } from '@zero-pour/contracts';
import { shallowRef, watch } from 'vue';
import { request } from '../api/request';
import { setShopZone } from '../time/shopClock';
import { useNotices } from './notices';
import { keepSurely, readUnsent } from './unsent';

const SETTINGS_AT = '/settings';

/** What holds for the whole shop, and how it is kept: a part of the shop's store. */
export function keptSettings() {
  const settings = shallowRef<Settings>(DEFAULT_SETTINGS);
  watch(settings, ({ timeZone }) => setShopZone(timeZone), { flush: 'sync' });

  /** Keeps the settings, however long the server is away. */
  async function keepSettings(changed: Settings, afterMs = 0): Promise<boolean> {
    const before = settings.value;
    settings.value = changed;
    const send = async (typed: Settings): Promise<void> => {
      const kept = await request(settingsSchema, 'PUT', SETTINGS_AT, typed);
      if (settings.value === changed) settings.value = kept;
    };
    try {
      return await keepSurely({ at: SETTINGS_AT, value: changed, send, afterMs });
    } catch (error) {
      if (settings.value === changed) settings.value = before;
      throw error;
    }
  }

  const takeSettings = (kept: Settings): void => void (settings.value = kept);

  /** What an earlier window could not send is shown and sent now. */
  function resendSettings(): void {
    for (const { value } of readUnsent(SETTINGS_AT)) {
      const parsed = settingsSchema.safeParse(value);
      if (parsed.success) void keepSettings(parsed.data).catch(useNotices().wrong);
    }
  }

  return { settings, keepSettings, takeSettings, resendSettings };
}
