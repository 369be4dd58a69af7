import { alterBeat, saveBeat } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { beatChangeSchema, beatSchema, idSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const { stream, file, madeFrom, draftId } = await bodyOf(request, beatSchema);
    const streamName = stream.trim();
    return answer(
      await saveBeat({
        id,
        streamName,
        file,
        ...(madeFrom && { madeFrom }),
        draftId: draftId ?? null,
      }),
    );
  });
}

export async function PATCH(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    return answer(await alterBeat(id, await bodyOf(request, beatChangeSchema)));
  });
}
