import { act, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ChakraProvider } from '@chakra-ui/react';
import { system } from '../ui/system';
import { QueryProvider } from '../sync/queries';
import { DEFAULT_SETTINGS } from '../core/log/index';
import { BeatTools, StreamName } from './beat-tools';
import { BookTools } from './book-tools';
import { DraftList } from './draft-list';
import { NewBeat } from './new-beat';
import { SettingsForm } from './settings/settings-form';
import { METHOD_ROWS } from './settings/settings-table';
import { SolveWatch } from './solve-watch';

const refresh = jest.fn();
jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh }) }));

interface Sent {
  what: string;
  body: unknown;
}
let sent: Sent[];
/** Answers by method and path; what is not listed is taken with null. */
function serve(answers: Record<string, { ok?: boolean; json: unknown }> = {}): void {
  sent = [];
  global.fetch = jest.fn(async (url: string, init?: RequestInit) => {
    const what = `${init?.method ?? 'GET'} ${url}`;
    const body = typeof init?.body === 'string' && init.body !== '' ? JSON.parse(init.body) : null;
    sent.push({ what, body });
    const answer = answers[what];
    return { ok: answer?.ok ?? true, json: async () => answer?.json ?? null } as Response;
  }) as unknown as typeof fetch;
}
const show = (element: React.ReactElement) =>
  render(
    <ChakraProvider value={system}>
      <QueryProvider>{element}</QueryProvider>
    </ChakraProvider>,
  );
beforeEach(() => {
  serve();
  refresh.mockClear();
});

/** Opens the beat's menu and takes a row of it. */
async function choose(what: string) {
  await userEvent.click(screen.getByRole('button', { name: 'More for Alder Run' }));
  const item = await screen.findByRole('menuitem', { name: what });
  for (let n = 0; n < 8 && !item.hasAttribute('data-highlighted'); n++)
    await userEvent.keyboard('{ArrowDown}');
  await userEvent.keyboard('{Enter}');
}

describe('a beat of the book', () => {
  const beat = {
    id: 'b1',
    name: 'Alder Run',
    madeBy: 'sketch',
    putAway: false,
    hasPlace: true,
  } as const;

  it('is renamed, put away, deleted: each sent, and the page read again', async () => {
    show(<BeatTools beat={beat} />);
    await choose('Rename');
    const field = screen.getByLabelText('New name of the beat');
    await userEvent.clear(field);
    await userEvent.type(field, 'Upper Run{Enter}');
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toEqual({ what: 'PATCH /api/v1/beats/b1', body: { name: 'Upper Run' } });
    await choose('Put away');
    await choose('Delete');
    expect(sent.slice(1).map((s) => s.body)).toEqual([{ putAway: true }, { deleted: true }]);
    expect(refresh).toHaveBeenCalledTimes(3);
  });
  it('Escape leaves a rename, and a refusal is shown', async () => {
    serve({
      'PATCH /api/v1/beats/b1': {
        ok: false,
        json: { error: { message: 'The name is empty; it must be 1 to 120 letters.' } },
      },
    });
    show(<BeatTools beat={beat} />);
    await choose('Rename');
    await userEvent.keyboard('{Escape}');
    expect(sent).toEqual([]);
    await choose('Rename');
    await userEvent.clear(screen.getByLabelText('New name of the beat'));
    await userEvent.keyboard('{Enter}');
    expect(await screen.findByText(/New name of the beat "" is empty/)).toBeVisible();
    await userEvent.type(screen.getByLabelText('New name of the beat'), 'Rill{Enter}');
    expect(await screen.findByText(/The name is empty/)).toBeVisible();
    expect(refresh).not.toHaveBeenCalled();
  });
  it('is copied under a new id, and changed by the way it was made', async () => {
    show(<BeatTools beat={beat} />);
    await choose('Copy');
    expect(sent[0]!.what).toBe('POST /api/v1/beats/b1/copy');
    expect((sent[0]!.body as { newId: string }).newId).toMatch(/^[0-9a-f-]{36}$/);
    expect(screen.getByRole('link', { name: 'Change the sketch' })).toHaveAttribute(
      'href',
      '/make/sketch?beat=b1',
    );
  });
  it('a stream that another is called like keeps its name', async () => {
    serve({
      'PATCH /api/v1/streams/s1': {
        ok: false,
        json: { error: { message: 'Another stream is called "Rill" already.' } },
      },
    });
    show(<StreamName id="s1" name="Thrum" />);
    await userEvent.click(screen.getByRole('button', { name: 'Rename Thrum' }));
    await userEvent.clear(screen.getByLabelText('New name of the stream'));
    await userEvent.type(screen.getByLabelText('New name of the stream'), 'Rill{Enter}');
    expect(screen.getByRole('alert')).toHaveTextContent('Another stream is called "Rill" already.');
  });
});

it('a new beat begins on the stream that is there', () => {
  show(<NewBeat stream="Thrum Water" />);
  expect(screen.getByRole('link', { name: 'Survey it' })).toHaveAttribute(
    'href',
    '/make/survey?stream=Thrum%20Water',
  );
});

it('a draft thrown away is gone here too', async () => {
  localStorage.setItem('pebble-draft-d1', '{}');
  show(
    <DraftList
      drafts={[{ id: 'd1', kind: 'sketch', name: 'Fold', streamName: 'Kest', beatId: 'b1' }]}
    />,
  );
  expect(screen.getByRole('link')).toHaveTextContent('Fold, sketch on Kest, a change not yet kept');
  await userEvent.click(screen.getByRole('button', { name: 'Throw away Fold' }));
  expect(sent[0]!.what).toBe('DELETE /api/v1/drafts/d1');
  expect(localStorage.getItem('pebble-draft-d1')).toBeNull();
});

describe('the whole book', () => {
  const file = (text: string) => {
    const f = new File([text], 'book.json', { type: 'application/json' });
    f.text = async () => text;
    return f;
  };
  const report = (dry: boolean) => ({
    json: {
      dry,
      tables: [
        { table: 'beats', taken: 2, known: 1, differing: 0, unreadable: [] },
        {
          table: 'marks',
          taken: 0,
          known: 0,
          differing: 3,
          unreadable: [{ id: 'm1', why: 'cut off' }],
        },
        { table: 'photos', taken: 0, known: 0, differing: 0, unreadable: [] },
      ],
    },
  });

  it('a restore is tried out first, said in words, and done when asked again', async () => {
    serve({
      'POST /api/v1/book?dry=1': report(true),
      'POST /api/v1/book?dry=0': report(false),
    });
    show(<BookTools deleted={[]} />);
    await userEvent.upload(screen.getByLabelText(/^Restore from a backup/), file('{"a":1}'));
    const said = within(await screen.findByRole('status'));
    expect(said.getByText('2 beats, 1 here already')).toBeInTheDocument();
    expect(
      said.getByText(
        '0 marks, 3 here in another state and left as they are; of these one cannot be read (m1: cut off) and will be named above',
      ),
    ).toBeInTheDocument();
    expect(said.queryByText(/photographs/)).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Restore it' }));
    expect(await screen.findByText('Restored. It took:')).toBeInTheDocument();
    expect(sent.map((s) => s.what)).toEqual(['POST /api/v1/book?dry=1', 'POST /api/v1/book?dry=0']);
    expect(refresh).toHaveBeenCalled();
  });
  it('what is no backup is refused in a sentence, and nothing can be restored', async () => {
    serve({
      'POST /api/v1/book?dry=1': {
        ok: false,
        json: { error: { message: 'This is not a backup of a book.' } },
      },
    });
    show(<BookTools deleted={[]} />);
    await userEvent.upload(screen.getByLabelText(/^Restore from a backup/), file('{}'));
    expect(await screen.findByText('This is not a backup of a book.')).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Restore it' })).toBeNull();
  });
  it('a deleted beat can be taken back', async () => {
    show(<BookTools deleted={[{ id: 'b7', name: 'Old Pool' }]} />);
    await userEvent.click(screen.getByRole('button', { name: 'Take it back: Old Pool' }));
    expect(sent[0]).toEqual({ what: 'PATCH /api/v1/beats/b7', body: { deleted: false } });
  });
});

describe('what is solved in the background', () => {
  const job = (level: string, state: string, progress: number) => ({
    hash: `hash-${level}`,
    beatId: 'kettle-slot',
    level,
    state,
    progress,
  });
  it('is said with how far it is and what is to come, and can be stopped', async () => {
    serve({
      'GET /api/v1/solves': {
        json: [job('Thin', 'done', 1), job('Fair', 'solving', 0.37), job('Full', 'waiting', 0)],
      },
    });
    show(<SolveWatch names={{ 'kettle-slot': 'Kettle Slot' }} />);
    expect(await screen.findByRole('status')).toHaveTextContent(
      'Making the water ready in the background: Kettle Slot, Fair, 37 %, 1 more to come.',
    );
    await userEvent.click(screen.getByRole('button', { name: 'Stop it' }));
    await act(async () => {});
    const stopped = sent.filter((s) => s.what.startsWith('DELETE')).map((s) => s.what);
    expect(stopped).toEqual([
      'DELETE /api/v1/solves?hash=hash-Fair',
      'DELETE /api/v1/solves?hash=hash-Full',
    ]);
    expect(screen.queryByRole('status')).toBeNull();
  });
  it('is silent when there is nothing', async () => {
    serve({ 'GET /api/v1/solves': { json: [job('Thin', 'done', 1)] } });
    show(<SolveWatch names={{ 'kettle-slot': 'Kettle Slot' }} />);
    await act(async () => {});
    expect(screen.queryByRole('status')).toBeNull();
  });
});

describe('settings', () => {
  const { waterTempC: _temp, ...rest } = DEFAULT_SETTINGS;
  const defaults = { ...rest, waterTempC: 0 };
  const form = (more: Partial<typeof defaults> = {}) =>
    show(<SettingsForm kept={{ ...defaults, ...more }} defaults={defaults} />);

  it('each method names its default and why, and has a way back to it', async () => {
    form();
    for (const row of METHOD_ROWS) {
      const group = within(screen.getByRole('radiogroup', { name: row.question }));
      const value = defaults.methods[row.key];
      const at = row.schools.findIndex(([v]) => v === value);
      expect(group.getAllByRole('radio')[at]).toBeChecked();
      expect(group.getAllByText(/\(default\)/)).toHaveLength(1);
      expect(screen.getAllByText(new RegExp(row.why.slice(0, 24))).length).toBeGreaterThan(0);
    }
    await userEvent.click(screen.getByLabelText(/soft water first/));
    expect(sent[0]!.body).toMatchObject({ methods: { holding: 'soft-water', heat: 'kinder' } });
    await userEvent.click(screen.getByRole('button', { name: 'Back to the default' }));
    expect(sent[1]!.body).toMatchObject({ methods: { holding: 'energy-budget' } });
  });
  it('weight and lengths are asked in the units chosen, and kept in metres and kilograms', async () => {
    form({ units: 'us' });
    const weight = screen.getByLabelText(/^Weight kg|^Weight lb/);
    expect(weight).toHaveValue('172');
    await userEvent.clear(weight);
    await userEvent.type(weight, '150{Enter}');
    expect((sent[0]!.body as { anglerMassKg: number }).anglerMassKg).toBeCloseTo(68.04, 2);
    const height = screen.getByLabelText(/^Height/);
    await userEvent.clear(height);
    await userEvent.type(height, '6 ft 1{Enter}');
    expect((sent[1]!.body as { anglerHeightM: number }).anglerHeightM).toBeCloseTo(1.854, 3);
  });
  it('says when it was kept, and when it was not', async () => {
    form();
    await userEvent.click(screen.getByRole('radio', { name: 'when asked' }));
    expect(await screen.findByText('Kept.')).toBeInTheDocument();
    serve({
      'PUT /api/v1/settings': { ok: false, json: { error: { message: 'It was not taken.' } } },
    });
    await userEvent.click(screen.getByRole('radio', { name: 'left hand' }));
    expect(await screen.findByText('It was not taken.')).toBeInTheDocument();
    expect(screen.queryByText('Kept.')).toBeNull();
  });
});
