import { recordOf, refitRecord, takeBack } from '@/services/index';
import { answer, bodyOf, respond } from '../../../respond.server';
import { takeBackSchema } from '../../../day-schemas';

/** What the record has changed of the models' constants; null until it was worked out. */
export async function GET() {
  return respond(async () => Response.json(await recordOf()));
}

/** Works it out anew, from every try up to now. */
export async function POST() {
  return respond(async () => answer(await refitRecord()));
}

/** Takes corrections back, or puts them in again. */
export async function PATCH(request: Request) {
  return respond(async () => {
    const { names, back } = await bodyOf(request, takeBackSchema);
    return answer(await takeBack(names, back));
  });
}
