import { nowMs, PAIRED_FOR_S, PHONE_COOKIE, pairPhone } from '@/services/index';
import { answer, bodyOf, respondToAll } from '../../respond.server';
import { pairSchema } from '../../schemas';

/** Lets the phone that asks in, by the code that the computer shows; it is known by a sealed cookie from then on. */
export async function POST(request: Request) {
  return respondToAll(async () => {
    const told = await bodyOf(request, pairSchema);
    const from = request.headers.get('x-pebble-remote') ?? 'unknown';
    const paired = await pairPhone(told, from, nowMs());
    if (!paired.ok) return answer(paired);
    const { id, name } = paired.value.phone;
    return Response.json(
      { id, name },
      {
        headers: {
          'set-cookie': `${PHONE_COOKIE}=${paired.value.token}; Path=/; HttpOnly; Secure; SameSite=Strict; Max-Age=${PAIRED_FOR_S}`,
        },
      },
    );
  });
}
