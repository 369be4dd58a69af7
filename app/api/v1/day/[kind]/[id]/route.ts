import type { FactKind } from '@/core/log/index';
import { keepFact } from '@/services/index';
import { FACT_ID, FACT_SCHEMAS, factKindSchema } from '../../../../day-schemas';
import { answer, changeOf, respond } from '../../../../respond.server';

/** What was told of a stream, a beat, a way or a date, in place of what was told of it before. */
export async function PUT(
  request: Request,
  { params }: { params: Promise<{ kind: string; id: string }> },
) {
  return respond(async () => {
    const told = await params;
    const kind = (await factKindSchema.validate(told.kind)) as FactKind;
    const id = await FACT_ID[kind].validate(told.id);
    const { told: fact, change } = await changeOf(request, FACT_SCHEMAS[kind]);
    return answer(await keepFact(kind, id!, fact as never, change));
  });
}
