import sharp from 'sharp';
import { paintJob } from '@/drawing/paint-job';
import { solvedWater } from '@/services/index';
import { paintWater } from '@/workers/paint-water';
import { answer, respond } from '../../../../respond.server';
import { idSchema } from '../../../../schemas';

const PX_PER_M = 14;
/** A longer beat is painted smaller, px. */
const MOST_PX = 1000;

/** The solved water of a beat, small, at `?level=` or the level it was made at; `?theme=dim` for dusk light. 404 until it is solved. */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const query = new URL(request.url).searchParams;
    const level = query.get('level') ?? undefined;
    const found = await solvedWater(await idSchema.validate((await params).id), level);
    if (!found.ok) return answer(found);
    const theme = query.get('theme') === 'dim' ? 'dim' : 'light';
    const { flow, inputHash } = found.value;
    const etag = `"${inputHash}-${theme}"`;
    const headers = { etag, 'cache-control': 'private, no-cache' };
    if (request.headers.get('if-none-match') === etag)
      return new Response(null, { status: 304, headers });
    const pxPerM = Math.min(PX_PER_M, MOST_PX / (flow.nx * flow.cellM));
    const { rgba, width, height } = paintWater(paintJob(flow, 'depth', theme, pxPerM));
    const png = await sharp(Buffer.from(rgba.buffer), { raw: { width, height, channels: 4 } })
      .png()
      .toBuffer();
    return new Response(new Uint8Array(png), {
      headers: { ...headers, 'content-type': 'image/png' },
    });
  });
}
