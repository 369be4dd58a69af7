import { readSnapshot } from '@/core/log/index';
import { beginTry, outingOfDay } from '@/services/index';
import { answer, bodyOf, namedChange, respond } from '../../../respond.server';
import { idSchema, trySchema } from '../../../schemas';

/** Opens a try with what the plan said of it, and its outing if that is new. */
export async function PUT(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const { outing, localDate, ...body } = await bodyOf(request, trySchema);
    const snapshot = readSnapshot(body.snapshot);
    return answer(
      await beginTry(
        { id, ...body, snapshot },
        outing ?? outingOfDay(body, localDate),
        namedChange(request),
      ),
    );
  });
}
