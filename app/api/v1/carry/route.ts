import sharp from 'sharp';
import type { BeatPack } from '@/core/outing/index';
import { paintJob } from '@/drawing/paint-job';
import { nowMs, packsInBook, settings, solvedWater } from '@/services/index';
import { paintWater } from '@/workers/paint-water';
import { carryPage } from '@/words/carry-page';
import { respond } from '../../respond.server';

const PX_PER_M = 14;
const MOST_PX = 900;

/** One page that stands alone: the cards of every beat that was worked out. Without a script, and it says that it logs nothing. */
export async function GET() {
  return respond(async () => {
    const { units } = await settings();
    const beats = await Promise.all(
      (await packsInBook()).map(async (pack) => ({ pack, picture: await pictureOf(pack) })),
    );
    return new Response(carryPage(beats, units, nowMs()), {
      headers: {
        'content-type': 'text/html; charset=utf-8',
        'content-disposition': 'attachment; filename="pebble-lane-cards.html"',
      },
    });
  });
}

async function pictureOf(pack: BeatPack): Promise<string | null> {
  const found = await solvedWater(pack.beatId, pack.level);
  if (!found.ok) return null;
  const { flow } = found.value;
  const pxPerM = Math.min(PX_PER_M, MOST_PX / (flow.nx * flow.cellM));
  const { rgba, width, height } = paintWater(paintJob(flow, 'depth', 'light', pxPerM));
  const png = await sharp(Buffer.from(rgba.buffer), { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();
  return `data:image/png;base64,${png.toString('base64')}`;
}
