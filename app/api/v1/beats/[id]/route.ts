import { alterBeat, saveBeat } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { beatChangeSchema, beatSchema, idSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/**
 * Keeps a beat file under this id, new or in place of the plan before it, which is kept as a version.
 * Every problem of a bad file is in the message, and nothing of it is kept.
 */
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

/** Renames, moves to another stream, puts away, deletes or takes back. */
export async function PATCH(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const change = await bodyOf(request, beatChangeSchema);
    return answer(await alterBeat(id, whatIsSet(change)));
  });
}

/** Only what was sent: a part that is not there stays as it is. */
const whatIsSet = <T extends object>(body: T) =>
  Object.fromEntries(Object.entries(body).filter(([, v]) => v !== undefined)) as {
    [K in keyof T]?: Exclude<T[K], undefined>;
  };
