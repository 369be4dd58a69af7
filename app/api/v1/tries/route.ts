import { tryLog } from '@/services/index';
import { respond } from '../../respond.server';
import { tryFilterSchema } from '../../schemas';

/** The log of tries: `?beat=&end=&kind=&from=&to=&fly=`, each as one likes; the newest three hundred, and how many there are. */
export async function GET(request: Request) {
  return respond(async () => {
    const asked = Object.fromEntries(
      [...new URL(request.url).searchParams].filter(([, value]) => value !== ''),
    );
    const { beat, end, kind, from, to, fly } = await tryFilterSchema.validate(asked, {
      stripUnknown: true,
    });
    return Response.json(
      await tryLog({
        ...(beat && { beatId: beat }),
        ...(end && { state: end }),
        ...(kind && { lieKind: kind }),
        ...(from != null && { fromMs: from }),
        ...(to != null && { toMs: to }),
        ...(fly && { fly }),
      }),
    );
  });
}
