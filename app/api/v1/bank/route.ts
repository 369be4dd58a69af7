import { bankOf } from '@/services/index';
import { respond } from '../../respond.server';

/** What a device on the bank begins from. */
export async function GET() {
  return respond(async () => Response.json(await bankOf()));
}
