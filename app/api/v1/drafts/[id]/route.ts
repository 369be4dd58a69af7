import { keepDraft, openDraft, throwDraftAway } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { draftSchema, idSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

export async function GET(_request: Request, { params }: Context) {
  return respond(async () => answer(await openDraft(await idSchema.validate((await params).id))));
}

export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const { kind, streamName, beatId, body } = await bodyOf(request, draftSchema);
    return answer(await keepDraft({ id, kind, streamName, beatId: beatId ?? null, body }));
  });
}

export async function DELETE(_request: Request, { params }: Context) {
  return respond(async () =>
    answer(await throwDraftAway(await idSchema.validate((await params).id))),
  );
}
