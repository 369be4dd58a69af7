import { keepReading, takeReadingBack } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { idSchema, readingSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(await keepReading({ id, ...(await bodyOf(request, readingSchema)) }));
  });
}

export async function DELETE(_request: Request, { params }: Context) {
  return respond(async () =>
    answer(await takeReadingBack(await idSchema.validate((await params).id))),
  );
}
