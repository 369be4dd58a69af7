import { importBeat } from '@/services/index';
import { answer, bodyOf, respond } from '../../respond.server';
import { beatSchema } from '../../schemas';

export async function POST(request: Request) {
  return respond(async () => {
    const { id, stream, file } = await bodyOf(request, beatSchema);
    return answer(await importBeat(id, stream, file));
  });
}
