import { pourIdSchema, pourSchema, type Pour, type PourDoc } from '@zero-pour/contracts';
import { request, RequestError } from '../api/request';
import { usePatterns } from './shopPatterns';

/** Pours that come one by one, each with its patterns: what it plans is worked out from them. A part of the pours' store. */
export function pourFetching(take: (pour: Pour) => Pour) {
  const patterns = usePatterns();

  async function takeWhole(pour: Pour): Promise<Pour> {
    await patterns.fetchNamed(pour.doc.brief.lines.map(({ patternId }) => patternId));
    return take(pour);
  }

  const load = async (id: string): Promise<Pour> =>
    takeWhole(await request(pourSchema, 'GET', `/pours/${id}`));

  /** The pour of a number; undefined where there is none, or it was put aside. */
  async function loadNumbered(number: number): Promise<Pour | undefined> {
    try {
      const { id } = await request(pourIdSchema, 'GET', `/pours/number/${number}`);
      const pour = await load(id);
      return pour.discarded ? undefined : pour;
    } catch (error) {
      if (error instanceof RequestError && error.code === 'NOT_FOUND') return undefined;
      throw error;
    }
  }

  const create = async (doc: PourDoc): Promise<Pour> =>
    takeWhole(await request(pourSchema, 'POST', '/pours', { id: crypto.randomUUID(), doc }));

  async function discard(id: string, discarded: boolean): Promise<void> {
    await takeWhole(await request(pourSchema, 'PUT', `/pours/${id}/discarded`, { discarded }));
  }

  return { load, loadNumbered, create, discard };
}
