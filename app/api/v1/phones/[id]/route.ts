import { alterPhone, nowMs } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { idSchema, phoneSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** Names a phone, or throws it out: from then on it is refused. */
export async function PATCH(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(await alterPhone(id, await bodyOf(request, phoneSchema), nowMs()));
  });
}

/** Throws a phone out: its cookie is worth nothing from now on. Its presses stay. */
export async function DELETE(_request: Request, { params }: Context) {
  return respond(async () =>
    answer(
      await alterPhone(await idSchema.validate((await params).id), { thrownOut: true }, nowMs()),
    ),
  );
}
