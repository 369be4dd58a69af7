import { TRY_COLUMNS, tryLine } from '@/core/log/index';
import { outingReport } from '@/services/index';
import { csvText } from '@/words/csv-rows';
import { answer, respond } from '../../../../respond.server';
import { idSchema } from '../../../../schemas';

/** The tries of an outing as CSV (RFC 4180). */
export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }) {
  return respond(async () => {
    const found = await outingReport(await idSchema.validate((await params).id));
    if (!found.ok) return answer(found);
    const { outing, tries } = found.value;
    const lines = tries.map((t) => {
      const line = tryLine(t, outing);
      return TRY_COLUMNS.map((c) => line[c]);
    });
    return new Response(csvText(TRY_COLUMNS, lines), {
      headers: {
        'content-type': 'text/csv; charset=utf-8; header=present',
        'content-disposition': `attachment; filename="tries-${outing.id}.csv"`,
      },
    });
  });
}
