import { putAside } from '@/services/index';
import { answer, respond } from '../../../../respond.server';
import { keyText } from '../../../../schemas';

/** Puts something of the book that cannot be read out of the way; what it said is kept. */
export async function DELETE(
  _request: Request,
  { params }: { params: Promise<{ table: string; id: string }> },
) {
  return respond(async () => {
    const { table, id } = await params;
    return answer(await putAside(table, await keyText.validate(id)));
  });
}
