import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { flowOf } from '../../../core/water/fixtures/flows';
import { readBeat, type BeatPlan } from '../../../core/formats/index';
import { TANSY_GLIDE_FILE } from '../../../demo/data/tansy-glide';
import { stateWith } from '../../fixtures/state';
import { showIn } from '../../fixtures/workspace';
import type { BeatInput } from '../../state/document';
import { CarryPanel } from './carry-panel';

const saved: { name: string; type: string; text: string }[] = [];
jest.mock('../../../ui/save-text', () => ({
  saveText: (name: string, type: string, text: string) => saved.push({ name, type, text }),
}));

const plan = (readBeat(TANSY_GLIDE_FILE) as { plan: BeatPlan }).plan;
const flow = flowOf(() => ({ depth: 0.4, u: -0.3 }), { nx: 8, ny: 6, cellM: 0.5 });
const show = (of: BeatPlan) =>
  showIn(<CarryPanel />, stateWith({ flow }), {
    id: 'glide',
    streamName: 'Thrum',
    plan: of,
  } as BeatInput);
beforeEach(() => saved.splice(0));

it('places go out as GeoJSON and GPX, the water as a grid and as lines', async () => {
  show(plan);
  await userEvent.click(screen.getByText('Carry it out: places and water'));
  for (const name of ['Places, GeoJSON', 'Places, GPX', 'Depth, grid', 'Pace, grid', 'Water, CSV'])
    await userEvent.click(screen.getByRole('button', { name }));
  expect(saved.map((s) => [s.name, s.type])).toEqual([
    ['glide-places.geojson', 'application/geo+json'],
    ['glide-places.gpx', 'application/gpx+xml'],
    ['glide-fair-depth.asc', 'text/plain'],
    ['glide-fair-pace.asc', 'text/plain'],
    ['glide-fair-water.csv', 'text/csv'],
  ]);
  const { features } = JSON.parse(saved[0]!.text) as {
    features: { properties: { kind: string }; geometry: { coordinates: number[] } }[];
  };
  expect(features[0]!.properties.kind).toBe('entry');
  expect(features[0]!.geometry.coordinates[1]).toBeCloseTo(47, 1);
  expect(saved[2]!.text).toContain('ncols 8');
});

it('a beat without a place on the map says what is missing; its water goes out all the same', async () => {
  const { anchor: _, ...nowhere } = plan;
  show(nowhere as BeatPlan);
  await userEvent.click(screen.getByText('Carry it out: places and water'));
  expect(screen.queryByRole('button', { name: 'Places, GeoJSON' })).not.toBeInTheDocument();
  expect(screen.getByText(/once its sketch or survey says where the beat/)).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Depth, grid' })).toBeInTheDocument();
});
