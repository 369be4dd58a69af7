import { DEFAULT_SETTINGS, readingSaying } from '../core/log/index';
import { DEFAULT_TACKLE, type RigPlan } from '../core/rig/index';
import { startFreshBook } from '../store/fixtures/books';
import {
  changeSettings,
  changesMissing,
  closeBook,
  keepOuting,
  keepReading,
  outingsInBook,
  readingsOf,
  settings,
  takeReadingBack,
} from './index';

startFreshBook('pebble-change-');
afterAll(closeBook);

const outing = { id: 'o', startMs: 1e12, endMs: null as number | null, timeZone: 'UTC', note: '' };
const outings = async () => (await outingsInBook()).map(({ endMs, note }) => ({ endMs, note }));

it('a change that is sent again after its answer was lost undoes nothing that others did since', async () => {
  const end = { ...outing, endMs: 2e12 };
  const first = { id: 'a-1', was: { endMs: null } };
  await keepOuting(outing, { id: 'a-0', was: null });
  expect(await keepOuting(end, first)).toMatchObject({ ok: true });
  expect(
    await keepOuting({ ...end, endMs: 3e12 }, { id: 'b-1', was: { endMs: 2e12 } }),
  ).toMatchObject({ ok: true });
  await keepOuting({ ...end, endMs: 3e12, note: 'kind water' }, { id: 'b-2', was: { note: '' } });
  // The same change once more, and the one that began it all.
  expect(await keepOuting(end, first)).toMatchObject({ ok: true });
  expect(await keepOuting(outing, { id: 'a-0', was: null })).toMatchObject({ ok: true });
  expect(await outings()).toEqual([{ endMs: 3e12, note: 'kind water' }]);
});

it('a change that does not win is told so, each time, and the rest of it is kept', async () => {
  const change = { id: 'c-1', was: { note: '', endMs: 3e12 } };
  const told = { ...outing, note: 'mine', endMs: 4e12 };
  const said = await keepOuting(told, change);
  expect(said).toMatchObject({ ok: false, code: 'conflict', field: 'note' });
  expect(said.ok || said.message).toBe(
    'Another device changed the note of the outing meanwhile: the book has "kind water", and "mine" was not put in its place. The rest of this change is kept. Send it again to put yours in its place, or throw it away.',
  );
  expect(await outings()).toEqual([{ endMs: 4e12, note: 'kind water' }]);
  expect(await keepOuting(told, change)).toEqual(said);
  // Merged, it may become impossible: then nothing of it is kept, and it may come again.
  const early = { ...outing, endMs: 5 };
  expect(await keepOuting(early, { id: 'c-2', was: { endMs: 4e12 } })).toMatchObject({
    code: 'invalid',
    field: 'endMs',
  });
  expect(await changesMissing(['c-1', 'c-2'])).toEqual(['c-2']);
});

it('what was taken out stays so, whatever arrives late; it comes back by hand alone', async () => {
  const reading = readingSaying({
    id: 'r',
    outingId: 'o',
    takenMs: 1e12,
    zoneOffsetMin: 0,
    waterTempC: 11,
  });
  const begun = { id: 'd-0', was: null };
  await keepReading(reading, begun);
  await takeReadingBack('r', { id: 'd-1', was: null });
  expect(await keepReading(reading, begun)).toMatchObject({ ok: true });
  const edited = { ...reading, waterTempC: 12 };
  const late = await keepReading(edited, { id: 'd-2', was: { waterTempC: 11 } });
  expect(late.ok || late.message).toContain('the reading was taken out, and stays so');
  expect(await readingsOf('o')).toEqual([]);
  expect(await keepReading(edited, { id: 'd-3', was: null })).toMatchObject({ ok: true });
  expect(await takeReadingBack('r', { id: 'd-1', was: null })).toMatchObject({ ok: true });
  expect(await readingsOf('o')).toHaveLength(1);
});

it('two pages change two rigs of one bench, and both are in the book', async () => {
  const was = { ...DEFAULT_TACKLE, rigs: [rig('one'), rig('two')] };
  await changeSettings({ tackle: was });
  const mine = { ...was, rigs: [{ ...rig('one'), name: 'One, mine' }, rig('two')] };
  const theirs = { ...was, rigs: [rig('one'), { ...rig('two'), name: 'Two, mine' }] };
  await changeSettings({ tackle: mine }, { id: 'e-1', was: { tackle: was } });
  await changeSettings({ tackle: theirs }, { id: 'e-2', was: { tackle: was } });
  expect((await settings()).tackle.rigs.map((r) => r.name)).toEqual(['One, mine', 'Two, mine']);
  expect((await settings()).methods).toEqual(DEFAULT_SETTINGS.methods);
});

function rig(id: string): RigPlan {
  return { ...DEFAULT_RIG, id, name: id };
}
const DEFAULT_RIG: RigPlan = {
  id: '',
  name: '',
  kind: 'dry',
  rod: { lengthM: 2.4, lineWeight: 3 },
  line: { weight: 3, floats: true, diameterMm: 1 },
  parts: [],
};
