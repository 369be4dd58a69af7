import { gpxOf, placesOf } from '@/core/formats/index';
import { placesOnEarth, tableOf, TABLES, type TableName } from '@/services/index';
import { csvText } from '@/words/csv-rows';
import { answer, respond } from '../../../respond.server';

const FILES = [...TABLES.map((t) => `${t}.csv`), 'places.geojson', 'places.gpx'];

/** What the whole book holds, as files that other programs open: CSV (RFC 4180), GeoJSON (RFC 7946), GPX 1.1. */
export async function GET(_request: Request, { params }: { params: Promise<{ file: string }> }) {
  return respond(async () => {
    const { file } = await params;
    if (!FILES.includes(file))
      return answer({
        ok: false,
        code: 'not-found',
        message: `There is no table "${file.slice(0, 40)}"; there are ${FILES.join(', ')}.`,
        field: 'file',
      });
    const { type, text } = await fileOf(file);
    return new Response(text, {
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${file}"` },
    });
  });
}

async function fileOf(file: string): Promise<{ type: string; text: string }> {
  if (file === 'places.geojson')
    return {
      type: 'application/geo+json',
      text: JSON.stringify(placesOf(await placesOnEarth())),
    };
  if (file === 'places.gpx')
    return { type: 'application/gpx+xml', text: gpxOf('Places', await placesOnEarth()) };
  const { columns, rows } = await tableOf(file.replace('.csv', '') as TableName);
  return { type: 'text/csv; charset=utf-8; header=present', text: csvText(columns, rows) };
}
