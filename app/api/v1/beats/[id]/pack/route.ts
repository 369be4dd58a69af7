import { takeAlong } from '@/services/index';
import { answer, respond } from '../../../../respond.server';
import { idSchema } from '../../../../schemas';

/** A beat worked out for the bank, at `?level=`; asked again until its state is "done". */
export async function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const level = new URL(request.url).searchParams.get('level') ?? undefined;
    return answer(await takeAlong(await idSchema.validate((await params).id), level));
  });
}
