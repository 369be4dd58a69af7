import { act, fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { ChakraProvider } from '@chakra-ui/react';
import { system } from '../ui/system';
import { newPiece, newSketch, toldNow, type Sketch } from '../core/water/index';
import { feltSoundings, readBeat, type BeatPlan, type FeltSounding } from '../core/formats/index';
import { KETTLE_SLOT } from '../demo/data/kettle-slot';
import { WITHY_BEND_FILE } from '../demo/data/withy-bend';
import { newSurvey, SketchPage, SurveyPage, type SurveyDraft } from './index';

const push = jest.fn();
jest.mock('next/navigation', () => ({ useRouter: () => ({ push, refresh: () => {} }) }));
jest.mock('../drawing/use-size', () => ({
  useSize: () => [() => {}, { width: 800, height: 500 }],
}));

jest.mock('../workers/client', () => ({
  spawnFlow: () => ({ call: { picture: async () => null }, terminate() {} }),
  across: (callbacks: object) => callbacks,
}));

let kept: { url: string; body: Record<string, unknown> }[];
let answer: { ok: boolean; json: unknown };
beforeEach(() => {
  kept = [];
  answer = { ok: true, json: {} };
  localStorage.clear();
  push.mockClear();
  window.matchMedia ??= (() => ({
    matches: false,
    addEventListener() {},
    removeEventListener() {},
  })) as unknown as typeof window.matchMedia;
  HTMLCanvasElement.prototype.getContext = (() => ({
    clearRect() {},
    fillRect() {},
  })) as unknown as typeof HTMLCanvasElement.prototype.getContext;
  global.fetch = jest.fn(async (url: string, init?: RequestInit) => {
    if (url.startsWith('/api/v1/beats/'))
      kept.push({ url, body: JSON.parse(String(init!.body)) as Record<string, unknown> });
    return { ok: answer.ok, json: async () => answer.json } as Response;
  }) as unknown as typeof fetch;
});
const show = (element: React.ReactElement) =>
  render(<ChakraProvider value={system}>{element}</ChakraProvider>);

describe('the page of a sketch', () => {
  const page = (
    body: Sketch,
    more: { beatId?: string; streamName?: string } = {},
    felt: FeltSounding[] = [],
  ) =>
    show(
      <SketchPage
        draft={{ id: 'd1', kind: 'sketch', streamName: 'Thrum', beatId: null, body, ...more }}
        felt={felt}
        units="metric"
      />,
    );

  it('empty, it says how to begin; a piece at a time it adds up', async () => {
    page(newSketch('Fold', 1.75));
    expect(screen.getByText(/^Begin at the foot of the beat/)).toBeInTheDocument();
    const add = within(screen.getByRole('group', { name: /^Add the next piece/ }));
    await userEvent.click(add.getByRole('button', { name: 'run' }));
    expect(screen.getByText(/^The pieces are 8.0 m long together/)).toBeInTheDocument();
    await userEvent.click(add.getByRole('button', { name: 'pool' }));
    expect(screen.getByText(/is what a stream this wide usually carries/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: 'knee' }));
    await userEvent.click(screen.getByRole('radio', { name: 'stroll' }));
    expect(screen.getByText(/is the discharge that fits these pieces best/)).toBeInTheDocument();
    expect(screen.getByText('1 run', { selector: 'text' })).toBeInTheDocument();
  });

  it('told anew it keeps what a fly felt of the bed, and says what lies on land now', async () => {
    const at = (xM: number, yM: number): FeltSounding => ({
      kind: 'sounding',
      depthM: 0.61,
      by: 'fly',
      shape: { type: 'Point', place: { xM, yM } },
    });
    page(KETTLE_SLOT, { beatId: 'kettle-slot' }, [at(5, 0), at(5, 40)]);
    expect(
      screen.getByText(/1 sounding by the fly comes along. 1 sounding by the fly lies on land/),
    ).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Keep the change and read it' }));
    const read = readBeat(kept[0]!.body.file);
    expect(read.ok && feltSoundings(read.plan)).toEqual([at(5, 0)]);
  });

  it('is kept with what it was made from, and opened to read', async () => {
    page(KETTLE_SLOT, { beatId: 'kettle-slot' });
    await userEvent.click(screen.getByRole('button', { name: 'Keep the change and read it' }));
    expect(kept[0]!.url).toBe('/api/v1/beats/kettle-slot');
    expect(kept[0]!.body).toMatchObject({
      stream: 'Thrum',
      draftId: 'd1',
      madeFrom: { kind: 'sketch', sketch: { name: 'Kettle Slot' } },
      file: { type: 'FeatureCollection' },
    });
    expect(push).toHaveBeenCalledWith('/b/kettle-slot/read');
  });

  it('a refusal is shown and nothing is opened', async () => {
    answer = { ok: false, json: { error: { message: 'Slope is wrong.' } } };
    page(KETTLE_SLOT);
    await userEvent.click(screen.getByRole('button', { name: 'Make the beat and read it' }));
    expect(screen.getByText(/Slope is wrong\./)).toBeInTheDocument();
    expect(push).not.toHaveBeenCalled();
    await userEvent.click(screen.getByRole('button', { name: 'Done' }));
    expect(screen.queryByText(/Slope is wrong\./)).toBeNull();
  });

  it('without a stream nothing is sent', async () => {
    page(KETTLE_SLOT, { streamName: ' ' });
    await userEvent.click(screen.getByRole('button', { name: 'Make the beat and read it' }));
    expect(screen.getByText(/Stream "" is empty/)).toBeInTheDocument();
    expect(kept).toEqual([]);
  });

  it('a thing is dropped where the drawing is tapped, changed, and taken out; Escape lets go', async () => {
    page(KETTLE_SLOT);
    const drawing = screen.getByRole('group', { name: /^Drawing of the sketch/ });
    await userEvent.click(screen.getByRole('button', { name: 'Weed' }));
    expect(screen.getByText(/^Tap the drawing where it stands/)).toBeInTheDocument();
    await userEvent.keyboard('{Escape}');
    expect(screen.queryByText(/^Tap the drawing where it stands/)).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Weed' }));
    fireEvent.click(drawing, { clientX: 200, clientY: 250 });
    const weed = screen.getByRole('group', { name: 'Weed' });
    await userEvent.click(within(weed).getByRole('radio', { name: 'thick' }));
    expect(within(weed).getByRole('radio', { name: 'thick' })).toBeChecked();
    await userEvent.click(within(weed).getByRole('button', { name: 'Take it out' }));
    expect(screen.queryByRole('group', { name: 'Weed' })).toBeNull();
  });

  it('a contradiction opens the piece it speaks of', async () => {
    const quick = toldNow(newPiece('x', 'pool', 8), {
      deepest: { word: 'waist' },
      pace: { floatS: 1.4, overM: 3 },
    });
    page({ ...KETTLE_SLOT, pieces: [...KETTLE_SLOT.pieces, quick] });
    expect(screen.getByText(/^Piece 6, pool contradicts the others/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Open it' }));
    expect(screen.getByRole('button', { name: /^6 pool/, expanded: true })).toBeInTheDocument();
  });
});

describe('the page of a survey', () => {
  const bend = (): SurveyDraft => ({
    plan: (readBeat(WITHY_BEND_FILE) as { plan: BeatPlan }).plan,
    photo: null,
  });
  const page = (body: SurveyDraft) =>
    show(
      <SurveyPage
        draft={{ id: 'd2', kind: 'survey', streamName: 'Thrum', beatId: null, body }}
        units="metric"
      />,
    );
  const tool = (name: string) =>
    userEvent.click(
      within(screen.getByRole('navigation', { name: 'Tools' })).getByRole('button', { name }),
    );

  it('what is missing is listed; a draft that is no beat yet is not sent', async () => {
    page(newSurvey('Fold'));
    expect(screen.getByText('Banks: there is no left bank.')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Make the beat and read it' }));
    expect(screen.getByText(/The draft is kept, but it is no beat yet/)).toBeInTheDocument();
    expect(kept).toEqual([]);
  });

  it('a bank is tapped corner by corner, a corner taken back, and ended by Enter', async () => {
    page(newSurvey('Fold'));
    await tool('Bank');
    const plan = screen.getByRole('group', { name: /^Plan of the survey/ });
    for (const x of [20, 300, 500, 770]) fireEvent.click(plan, { clientX: x, clientY: 320 });
    await userEvent.keyboard('{Backspace}');
    expect(screen.getByRole('button', { name: 'End it here (3 places)' })).toBeInTheDocument();
    fireEvent.click(plan, { clientX: 790, clientY: 330 });
    (document.activeElement as HTMLElement).blur();
    await userEvent.keyboard('{Enter}');
    expect(screen.getByRole('button', { name: /^Bank 1, x/ })).toBeInTheDocument();
    expect(screen.queryByText('Banks: there is no left bank.')).toBeNull();
  });

  it('a sounding goes in by numbers with what was asked of it, and out again', async () => {
    page(bend());
    await tool('Sounding');
    const depth = screen.getByLabelText(/^Depth/);
    await userEvent.clear(depth);
    await userEvent.type(depth, '0,62{Enter}');
    await userEvent.click(screen.getByRole('button', { name: 'Speed: add' }));
    await userEvent.type(screen.getByLabelText('or by numbers, x, y in metres'), '20, 6');
    await userEvent.click(screen.getByRole('button', { name: 'Place it' }));
    await userEvent.click(screen.getByRole('button', { name: 'Put the tool down' }));
    await userEvent.click(screen.getByRole('button', { name: 'Sounding 5, x 20.0' }));
    const panel = within(screen.getByRole('region', { name: 'Sounding 5' }));
    expect(panel.getByLabelText(/^Depth/)).toHaveValue('0.62');
    await userEvent.click(panel.getByRole('button', { name: 'Take it out' }));
    expect(screen.queryByRole('button', { name: 'Sounding 5, x 20.0' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Undo' }));
    expect(screen.getByRole('button', { name: 'Sounding 5, x 20.0' })).toBeInTheDocument();
  });

  it('says where to sound next, and drops a fit that no longer holds', async () => {
    page(bend());
    await userEvent.click(screen.getByRole('button', { name: 'Where to sound next' }));
    expect(screen.getByText(/A sounding at x 30\.8, y 3\.3 m helps most/)).toBeInTheDocument();
    expect(screen.getByText(/^sound here next: ±0\.\d\d m$/)).toBeInTheDocument();
  });

  it('a photograph is laid under it once it has been taken in', async () => {
    answer = { ok: true, json: { id: 'p', width: 1000, height: 500 } };
    const { container } = page(bend());
    await userEvent.click(screen.getByText('Trace over a photograph'));
    await userEvent.upload(
      screen.getByLabelText(/^Your own photograph/),
      new File(['x'], 'bend.jpg', { type: 'image/jpeg' }),
    );
    await act(async () => {});
    expect(container.querySelector('image')!.getAttribute('href')).toMatch(/^\/api\/v1\/photos\//);
    await userEvent.click(screen.getByRole('button', { name: 'Scale it by two known points' }));
    const plan = screen.getByRole('group', { name: /^Plan of the survey/ });
    fireEvent.click(plan, { clientX: 100, clientY: 200 });
    expect(screen.getByText(/^Tap the second of two points/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Give it back' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take it away' }));
    expect(container.querySelector('image')).toBeNull();
  });

  it('is kept as a file, with the photograph it was traced over', async () => {
    page(bend());
    await userEvent.click(screen.getByRole('button', { name: 'Make the beat and read it' }));
    expect(kept[0]!.body).toMatchObject({
      madeFrom: { kind: 'survey', photo: null },
      file: { pebbleLane: { name: 'Withy Bend' } },
    });
    expect(push).toHaveBeenCalledWith('/b/d2/read');
  });
});
