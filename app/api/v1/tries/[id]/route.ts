import { beginTry } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { idSchema, trySchema } from '../../../schemas';

export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const { localDate, ...body } = await bodyOf(request, trySchema);
    return answer(await beginTry({ id, ...body }, localDate));
  });
}
