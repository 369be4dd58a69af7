'use client';

import Papa from 'papaparse';
import { writeGpx, writePlaces } from '../../../core/formats/index';
import { waterLines, writeAsciiGrid, type GridName } from '../../../core/water/index';
import { Button } from '../../../ui/button';
import { Disclosure } from '../../../ui/disclosure';
import { saveText } from '../../../ui/save-text';
import { usePart, useWorkspace } from '../../context';
import { carried } from './carried';
import panel from '../../../ui/panel.module.css';

/** What of the beat goes out, in what other programs open: places as GeoJSON and GPX, the water as a grid and as lines. */
export function CarryPanel() {
  const { beat, store } = useWorkspace();
  const flow = usePart((s) => s.flow);
  const level = usePart((s) => s.level);
  const { plan } = beat;
  const save = (ending: string, type: string, text: string) =>
    saveText(`${beat.id}-${ending}`, type, text);
  const grid = (what: GridName) =>
    flow && save(`${level}-${what}.asc`.toLowerCase(), 'text/plain', writeAsciiGrid(flow, what));
  return (
    <section aria-label="Carry it out">
      <Disclosure title="Carry it out: places and water">
        {plan.anchor ? (
          <p className={panel.row}>
            <Button
              onClick={() =>
                save(
                  'places.geojson',
                  'application/geo+json',
                  JSON.stringify(writePlaces(plan, carried(plan, store.getState()))),
                )
              }
            >
              Places, GeoJSON
            </Button>
            <Button
              onClick={() =>
                save(
                  'places.gpx',
                  'application/gpx+xml',
                  writeGpx(plan, carried(plan, store.getState())),
                )
              }
            >
              Places, GPX
            </Button>
          </p>
        ) : (
          <p className={panel.second}>
            Places go out in longitude and latitude once its sketch or survey says where the beat
            lies.
          </p>
        )}
        {flow && (
          <>
            <p className={panel.row}>
              <Button onClick={() => grid('depth')}>Depth, grid</Button>
              <Button onClick={() => grid('pace')}>Pace, grid</Button>
              <Button
                onClick={() =>
                  save(
                    `${level}-water.csv`.toLowerCase(),
                    'text/csv',
                    Papa.unparse(waterLines(plan, flow), { newline: '\r\n' }),
                  )
                }
              >
                Water, CSV
              </Button>
            </p>
            <p className={panel.second}>
              Lies, fish, lookouts, entries, the stand and the way; the water as it is drawn at{' '}
              {level}. A grid (ESRI ASCII) is in metres of the plan, x up the stream.
            </p>
          </>
        )}
      </Disclosure>
    </section>
  );
}
