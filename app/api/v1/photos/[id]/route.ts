import { keepPhoto, photo, PHOTO_LIMIT_BYTES } from '@/services/index';
import { answer, bytesOf, namedChange, respond } from '../../../respond.server';
import { idSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** A photograph, as JPEG. */
export async function GET(_request: Request, { params }: Context) {
  return respond(async () => {
    const found = await photo(await idSchema.validate((await params).id));
    if (!found.ok) return answer(found);
    return new Response(found.value.bytes.slice().buffer, {
      headers: {
        'content-type': 'image/jpeg',
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });
}

/** Keeps a photograph, made anew as JPEG without what it says of its place and camera. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    // A little over the limit is read, so that the sentence can say how large the file is.
    const bytes = await bytesOf(request, 2 * PHOTO_LIMIT_BYTES);
    return answer(await keepPhoto(id, bytes, namedChange(request)));
  });
}
