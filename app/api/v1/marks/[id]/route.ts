import { keepMark, removeMark } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { idSchema, markSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** Keeps a fish as it is seen now; what it was before is kept beside it. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(await keepMark({ id, ...(await bodyOf(request, markSchema)) }));
  });
}

/** Strikes a fish; tries go on pointing at it. */
export async function DELETE(_request: Request, { params }: Context) {
  return respond(async () => answer(await removeMark(await idSchema.validate((await params).id))));
}
