import { keepRise, takeRiseBack } from '@/services/index';
import { answer, bodyOf, namedChange, respond } from '../../../respond.server';
import { idSchema, riseSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** Keeps a ring where it showed. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(
      await keepRise({ id, ...(await bodyOf(request, riseSchema)) }, namedChange(request)),
    );
  });
}

/** Takes a ring back; kept again, it is back. */
export async function DELETE(request: Request, { params }: Context) {
  return respond(async () =>
    answer(await takeRiseBack(await idSchema.validate((await params).id), namedChange(request))),
  );
}
