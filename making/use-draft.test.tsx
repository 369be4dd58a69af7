import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SAVING_WORDS, useDraft } from './use-draft';
import { useUndoKeys } from '../ui/use-undo-keys';

interface Body {
  n: number;
}

function Making({ id = 'd1' }: { id?: string }) {
  const draft = useDraft<Body>({
    id,
    kind: 'sketch',
    streamName: 'Thrum',
    beatId: null,
    body: { n: 0 },
  });
  useUndoKeys(draft.undo, draft.redo);
  return (
    <>
      <p data-testid="n">{draft.body.n}</p>
      <p role="status">{SAVING_WORDS[draft.saving]}</p>
      <button onClick={() => draft.change((b) => ({ n: b.n + 1 }))}>more</button>
      <button onClick={() => draft.draw({ n: 99 })}>drag</button>
      <button onClick={() => draft.draw(null)}>give back</button>
      <button onClick={draft.forget}>forget</button>
      <input aria-label="words" />
    </>
  );
}

const number = () => Number(screen.getByTestId('n').textContent);
const press = (name: string) => act(async () => screen.getByRole('button', { name }).click());
const wait = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));
let sent: { url: string; body: unknown }[];
let online: boolean;

beforeEach(() => {
  jest.useFakeTimers();
  localStorage.clear();
  sent = [];
  online = true;
  global.fetch = jest.fn(async (url: string, init: RequestInit) => {
    if (!online) throw new TypeError('offline');
    sent.push({ url, body: JSON.parse(String(init.body)) });
    return { ok: true, json: async () => null } as Response;
  }) as unknown as typeof fetch;
});
afterEach(() => jest.useRealTimers());

it('nothing is sent until something is changed; then once, a moment after the last change', async () => {
  render(<Making />);
  await wait(2000);
  expect(sent).toEqual([]);
  expect(screen.getByRole('status')).toHaveTextContent('');
  await press('more');
  await press('more');
  expect(screen.getByRole('status')).toHaveTextContent('Saving the draft');
  await wait(600);
  expect(sent).toEqual([
    {
      url: '/api/v1/drafts/d1',
      body: { kind: 'sketch', beatId: null, streamName: 'Thrum', body: { n: 2 } },
    },
  ]);
  expect(screen.getByRole('status')).toHaveTextContent('Draft saved');
  expect(localStorage.length).toBe(0);
});

it('what cannot be sent is kept on the device, tried again, and found by the next page', async () => {
  online = false;
  const { unmount } = render(<Making />);
  await press('more');
  await wait(600);
  expect(screen.getByRole('status')).toHaveTextContent('Not saved yet: kept on this device');
  unmount();
  render(<Making />);
  expect(number()).toBe(1);
  online = true;
  await wait(6000);
  expect(sent[0]!.body).toMatchObject({ body: { n: 1 } });
  expect(localStorage.length).toBe(0);
});

it('another draft knows nothing of it, and a beat that was kept leaves nothing behind', async () => {
  online = false;
  const { unmount } = render(<Making />);
  await press('more');
  await wait(600);
  unmount();
  const other = render(<Making id="d2" />);
  expect(number()).toBe(0);
  other.unmount();
  render(<Making />);
  await press('forget');
  expect(localStorage.length).toBe(0);
});

it('what is dragged is shown, is no step, and can be given back', async () => {
  render(<Making />);
  await press('more');
  await press('drag');
  expect(number()).toBe(99);
  await press('give back');
  expect(number()).toBe(1);
  await press('drag');
  await press('more');
  expect(number()).toBe(2);
});

it('Ctrl-Z and Ctrl-Shift-Z step through it, but not while a field is typed in', async () => {
  jest.useRealTimers();
  const user = userEvent.setup();
  render(<Making />);
  await press('more');
  await press('more');
  await user.keyboard('{Control>}z{/Control}');
  expect(number()).toBe(1);
  await user.keyboard('{Control>}{Shift>}z{/Shift}{/Control}');
  expect(number()).toBe(2);
  await user.click(screen.getByLabelText('words'));
  await user.keyboard('{Control>}z{/Control}');
  expect(number()).toBe(2);
});
