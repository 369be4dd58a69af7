import { LEARN_OF, learnOf } from '@/services/index';
import { respond } from '../../respond.server';
import { learnQuerySchema } from '../../day-schemas';

/** What the tries say: `?of=beat|stream|book&beat=ID`. */
export async function GET(request: Request) {
  return respond(async () => {
    const query = new URL(request.url).searchParams;
    const { of, beat } = await learnQuerySchema(LEARN_OF).validate({
      of: query.get('of') ?? undefined,
      beat: query.get('beat') ?? undefined,
    });
    return Response.json(await learnOf(of!, beat));
  });
}
