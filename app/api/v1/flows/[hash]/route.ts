import { cachedFlow, keepFlow } from '@/services/index';
import { answer, bytesOf, respond } from '../../../respond.server';
import { idSchema } from '../../../schemas';

type Context = { params: Promise<{ hash: string }> };
const FLOW_LIMIT = 64_000_000;

/** A solved water by the hash of what it was solved from, as bytes. */
export async function GET(_request: Request, { params }: Context) {
  return respond(async () => {
    const found = await cachedFlow(await idSchema.validate((await params).hash));
    if (!found.ok) return answer(found);
    return new Response(found.value.slice().buffer, {
      headers: {
        'content-type': 'application/octet-stream',
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });
}

/** Keeps a solved water of `?beat=`; the bytes must be a whole one. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const hash = await idSchema.validate((await params).hash);
    const beat = await idSchema.validate(new URL(request.url).searchParams.get('beat'));
    return answer(await keepFlow(beat, hash, await bytesOf(request, FLOW_LIMIT)));
  });
}
