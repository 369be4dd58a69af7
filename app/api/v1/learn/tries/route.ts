import { triesBehind } from '@/services/index';
import { respond } from '../../../respond.server';
import { priorQuerySchema } from '../../../day-schemas';

/** The tries that a correction rests on: `?prior=hook`. */
export async function GET(request: Request) {
  return respond(async () => {
    const query = new URL(request.url).searchParams;
    const { prior } = await priorQuerySchema.validate({ prior: query.get('prior') ?? undefined });
    return Response.json(await triesBehind(prior!));
  });
}
