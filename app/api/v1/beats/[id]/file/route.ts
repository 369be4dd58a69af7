import { writeBeat } from '@/core/formats/index';
import { openBeat } from '@/services/index';
import { answer, respond } from '../../../../respond.server';
import { idSchema } from '../../../../schemas';

/** The beat file; `?frame=lonlat` with true longitudes and latitudes where the beat has an anchor. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const opened = await openBeat(await idSchema.validate((await params).id));
    if (!opened.ok) return answer(opened);
    const { plan } = opened.value.beat;
    const wanted = new URL(request.url).searchParams.get('frame');
    const frame = wanted === 'lonlat' && plan.anchor ? 'lonlat' : 'plan';
    const name = plan.name.replace(/[^A-Za-z0-9]+/g, '-').toLowerCase() || 'beat';
    return new Response(JSON.stringify(writeBeat(plan, { frame })), {
      headers: {
        'content-type': 'application/geo+json',
        'content-disposition': `attachment; filename="${name}.geojson"`,
      },
    });
  });
}
