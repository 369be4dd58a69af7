import { keepOuting } from '@/services/index';
import { answer, changeOf, respond } from '../../../respond.server';
import { idSchema, outingSchema } from '../../../schemas';

/** Keeps an outing, or its new state. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const { told, change } = await changeOf(request, outingSchema);
    return answer(await keepOuting({ id, ...told }, change));
  });
}
