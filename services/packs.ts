import type { BeatPack } from '../core/outing/index';
import { listPacks } from '../store/index';
import { book } from './book';

/** What was worked out last of each beat. */
export async function packsInBook(): Promise<BeatPack[]> {
  return (await listPacks(await book())).map((json) => JSON.parse(json) as BeatPack);
}
