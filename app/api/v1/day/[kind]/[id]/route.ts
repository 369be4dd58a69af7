import type { FactKind } from '@/core/log/index';
import { keepFact } from '@/services/index';
import { FACT_ID, FACT_SCHEMAS, factKindSchema } from '../../../../day-schemas';
import { answer, bodyOf, respond } from '../../../../respond.server';

/** What was told of a stream, a beat, a way or a date, in place of what was told of it before. */
export async function PUT(
  request: Request,
  { params }: { params: Promise<{ kind: string; id: string }> },
) {
  return respond(async () => {
    const told = await params;
    const kind = (await factKindSchema.validate(told.kind)) as FactKind;
    const id = await FACT_ID[kind].validate(told.id);
    return answer(await keepFact(kind, id!, (await bodyOf(request, FACT_SCHEMAS[kind])) as never));
  });
}
