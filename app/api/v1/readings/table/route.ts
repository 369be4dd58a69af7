import { takeReadings } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { tableSchema } from '../../../schemas';

/** Readings from a table; `?dry=1` tells what would be taken, and takes nothing. */
export async function POST(request: Request) {
  return respond(async () => {
    const dry = new URL(request.url).searchParams.get('dry') === '1';
    const { lines } = await bodyOf(request, tableSchema);
    return answer(await takeReadings(lines, dry));
  });
}
