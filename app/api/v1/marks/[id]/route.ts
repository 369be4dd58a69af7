import { keepMark, removeMark } from '@/services/index';
import { answer, changeOf, namedChange, respond } from '../../../respond.server';
import { idSchema, markSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** Keeps a fish as it is seen now; what it was before is kept beside it. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const { told, change } = await changeOf(request, markSchema);
    return answer(await keepMark({ id, ...told }, change));
  });
}

/** Strikes a fish; tries go on pointing at it. */
export async function DELETE(request: Request, { params }: Context) {
  return respond(async () =>
    answer(await removeMark(await idSchema.validate((await params).id), namedChange(request))),
  );
}
