import { keepRead, throwReadAway } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { idSchema, readSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(await keepRead({ id, ...(await bodyOf(request, readSchema)) }));
  });
}

export async function DELETE(_request: Request, { params }: Context) {
  return respond(async () =>
    answer(await throwReadAway(await idSchema.validate((await params).id))),
  );
}
