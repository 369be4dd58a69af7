import type { Settings } from '@/core/log/index';
import { changeSettings } from '@/services/index';
import { bodyOf, respond } from '../../respond.server';
import { settingsSchema } from '../../schemas';

/** Changes what is named, and nothing else. */
export async function PUT(request: Request) {
  return respond(async () => {
    await changeSettings((await bodyOf(request, settingsSchema)) as Partial<Settings>);
    return Response.json(null);
  });
}
