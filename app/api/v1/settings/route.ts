import type { Settings } from '@/core/log/index';
import { changeSettings } from '@/services/index';
import { answer, changeOf, respond } from '../../respond.server';
import { settingsSchema } from '../../schemas';

/** Changes what is named, and nothing else. */
export async function PUT(request: Request) {
  return respond(async () => {
    const { told, change } = await changeOf(request, settingsSchema);
    return answer(await changeSettings(told as Partial<Settings>, change));
  });
}
