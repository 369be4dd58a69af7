import { changesMissing } from '@/services/index';
import { bodyOf, respond } from '../../../respond.server';
import { changeNamesSchema } from '../../../schemas';

/** Of changes by their names (`Idempotency-Key`), those that this book never took: it was put back to an older copy. */
export async function POST(request: Request) {
  return respond(async () => {
    const { ids } = await bodyOf(request, changeNamesSchema);
    return Response.json(await changesMissing(ids));
  });
}
