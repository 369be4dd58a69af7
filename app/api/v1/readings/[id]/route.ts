import { readingSaying, type Reading } from '@/core/log/index';
import { keepReading, takeReadingBack } from '@/services/index';
import { answer, changeOf, namedChange, respond } from '../../../respond.server';
import { idSchema, readingSchema } from '../../../schemas';

type Context = { params: Promise<{ id: string }> };

/** Keeps a reading; something must have been read. */
export async function PUT(request: Request, { params }: Context) {
  return respond(async () => {
    const id = await idSchema.validate((await params).id);
    const { told, change } = await changeOf(request, readingSchema);
    const reading = readingSaying({ ...(told as Omit<Reading, 'id'>), id });
    return answer(await keepReading(reading, change));
  });
}

/** Takes a reading back; kept again, it is back. */
export async function DELETE(request: Request, { params }: Context) {
  return respond(async () =>
    answer(await takeReadingBack(await idSchema.validate((await params).id), namedChange(request))),
  );
}
