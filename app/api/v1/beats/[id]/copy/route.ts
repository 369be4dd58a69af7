import { copyBeat } from '@/services/index';
import { answer, bodyOf, respond } from '../../../../respond.server';
import { copySchema, idSchema } from '../../../../schemas';

/** A second beat with the same plan, under a new id. */
export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(await copyBeat(id, (await bodyOf(request, copySchema)).newId));
  });
}
