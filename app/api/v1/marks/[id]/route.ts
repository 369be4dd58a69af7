import { keepMark, removeMark } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { idSchema, markSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(await keepMark({ id, ...(await bodyOf(request, markSchema)) }));
  });
}

export async function DELETE(_request: Request, { params }: Context) {
  return respond(async () => answer(await removeMark(await idSchema.validate((await params).id))));
}
