import type { TryEvent } from '@/core/log/index';
import { recordEvent } from '@/services/index';
import { answer, bodyOf, namedChange, respond } from '../../../../../respond.server';
import { eventSchema, idSchema } from '../../../../../schemas';

/** Appends one event to a try. The same twice is kept once; nothing is ever overwritten. */
export async function PUT(
  request: Request,
  { params }: { params: Promise<{ id: string; eventId: string }> },
) {
  return respond(async () => {
    const { id, eventId } = await params;
    const event = {
      id: await idSchema.validate(eventId),
      // Requests from before devices had names.
      device: '',
      ...(await bodyOf(request, eventSchema)),
    } as TryEvent;
    return answer(await recordEvent(await idSchema.validate(id), event, namedChange(request)));
  });
}
