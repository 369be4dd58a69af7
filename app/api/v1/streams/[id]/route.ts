import { renameStreamTo } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { idSchema, streamSchema } from '../../../schemas';

/** Renames a stream. */
export async function PATCH(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(await renameStreamTo(id, (await bodyOf(request, streamSchema)).name.trim()));
  });
}
