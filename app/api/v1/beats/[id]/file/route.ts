import { writeBeat } from '@/core/formats/index';
import { openBeat } from '@/services/index';
import { answer, respond } from '../../../../respond.server';
import { beatFileSchema, idSchema } from '../../../../schemas';

/**
 * The beat as a file. Longitude and latitude (RFC 7946) where the beat has a place on the map, so that a
 * GIS draws it where it lies; else, or with `?frame=plan`, metres of the plan, which no GIS should take
 * for degrees: `.pebble.json`.
 */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const { frame: wanted } = await beatFileSchema.validate({
      frame: new URL(request.url).searchParams.get('frame') ?? undefined,
    });
    const opened = await openBeat(await idSchema.validate((await params).id));
    if (!opened.ok) return answer(opened);
    const { plan } = opened.value.beat;
    const frame = wanted ?? (plan.anchor ? 'lonlat' : 'plan');
    if (frame === 'lonlat' && !plan.anchor)
      return answer({
        ok: false,
        code: 'conflict',
        message: `"${plan.name}" has no place on the map: frame is "lonlat", and only "plan" is possible. Say where the beat lies in its sketch or survey.`,
        field: 'frame',
      });
    const name = plan.name.replace(/[^A-Za-z0-9]+/g, '-').toLowerCase() || 'beat';
    const [type, ending] =
      frame === 'lonlat'
        ? ['application/geo+json', 'geojson']
        : ['application/json', 'pebble.json'];
    return new Response(JSON.stringify(writeBeat(plan, { frame })), {
      headers: {
        'content-type': type,
        'content-disposition': `attachment; filename="${name}.${ending}"`,
      },
    });
  });
}
