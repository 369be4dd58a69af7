import type { KeptRead } from '@/core/log/index';
import { keepRead, throwReadAway } from '@/services/index';
import { answer, changeOf, namedChange, respond } from '../../../respond.server';
import { idSchema, readSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** Keeps a quick read, or a place as told. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    // The schema has seen that a place set by phone, paces or tape says what belongs to each.
    const { told, change } = await changeOf(request, readSchema);
    return answer(await keepRead({ id, ...(told as Omit<KeptRead, 'id'>) }, change));
  });
}

/** Takes a quick read back; kept again, it is back. */
export async function DELETE(request: Request, { params }: Context) {
  return respond(async () =>
    answer(await throwReadAway(await idSchema.validate((await params).id), namedChange(request))),
  );
}
