import { dayBookOf } from '@/services/index';
import { respond } from '../../respond.server';
import { dayQuerySchema } from '../../day-schemas';

/** What a date is planned from: `?date=2026-06-13&zone=Etc/GMT-2`. */
export async function GET(request: Request) {
  return respond(async () => {
    const query = new URL(request.url).searchParams;
    const { date, zone } = await dayQuerySchema.validate({
      date: query.get('date') ?? undefined,
      zone: query.get('zone') ?? undefined,
    });
    return Response.json(await dayBookOf(date, zone));
  });
}
