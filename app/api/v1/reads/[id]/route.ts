import type { KeptRead } from '@/core/log/index';
import { keepRead, throwReadAway } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { idSchema, readSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** Keeps a quick read, or a place as told. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    // The schema has seen that a place set by phone, paces or tape says what belongs to each.
    const told = (await bodyOf(request, readSchema)) as Omit<KeptRead, 'id'>;
    return answer(await keepRead({ id, ...told }));
  });
}

/** Takes a quick read back; kept again, it is back. */
export async function DELETE(_request: Request, { params }: Context) {
  return respond(async () =>
    answer(await throwReadAway(await idSchema.validate((await params).id))),
  );
}
