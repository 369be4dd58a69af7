import { keepDraft, openDraft, throwDraftAway } from '@/services/index';
import { answer, changeOf, respond } from '../../../respond.server';
import { draftSchema, idSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** A beat being made. */
export async function GET(_request: Request, { params }: Context) {
  return respond(async () => answer(await openDraft(await idSchema.validate((await params).id))));
}

/** Keeps a beat being made, new or in place of what it was. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const { told, change } = await changeOf(request, draftSchema);
    const { kind, streamName, beatId, body } = told;
    return answer(await keepDraft({ id, kind, streamName, beatId: beatId ?? null, body }, change));
  });
}

/** Throws it away; kept again, it is back. */
export async function DELETE(_request: Request, { params }: Context) {
  return respond(async () =>
    answer(await throwDraftAway(await idSchema.validate((await params).id))),
  );
}
