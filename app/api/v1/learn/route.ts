import { LEARN_OF, learnOf } from '@/services/index';
import { respond } from '../../respond.server';
import { learnQuerySchema } from '../../day-schemas';

/** What the tries say: `?of=beat|stream|book&beat=ID`, of one year with `&year=2026`. */
export async function GET(request: Request) {
  return respond(async () => {
    const query = new URL(request.url).searchParams;
    const { of, beat, year } = await learnQuerySchema(LEARN_OF).validate({
      of: query.get('of') ?? undefined,
      beat: query.get('beat') ?? undefined,
      year: query.get('year') ?? undefined,
    });
    return Response.json(await learnOf(of!, beat, year));
  });
}
