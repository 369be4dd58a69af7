import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { mended, notTakenRows } from '../words/queue-words';
import { showPart } from './fixtures/show-part';
import { NotTaken } from './not-taken';

const refused = {
  seq: 4,
  kind: 'press',
  method: 'PUT' as const,
  body: { code: 'landing', lengthCm: 200 },
  message: 'Length of the fish must be 5 to 102 cm.',
  field: 'lengthCm',
};

it('says what was not taken and why, and lets it be mended or thrown away', async () => {
  const calls: unknown[] = [];
  showPart(
    <NotTaken
      rows={notTakenRows([refused, { ...refused, seq: 5, field: null }])}
      onSendAgain={(seq, change) => calls.push(['again', seq, change])}
      onThrowAway={(seq) => calls.push(['away', seq])}
    />,
  );
  await userEvent.click(screen.getByText('2 not taken by the book'));
  expect(screen.getAllByText('Landed.')).toHaveLength(2);
  const field = screen.getByLabelText('Its length, cm');
  await userEvent.clear(field);
  await userEvent.type(field, '20{Enter}');
  await userEvent.click(screen.getAllByRole('button', { name: 'Throw it away' })[1]!);
  expect(calls).toEqual([
    ['again', 4, { key: 'lengthCm', text: '20' }],
    ['away', 5],
  ]);
  expect(mended(refused.body, 'lengthCm', '20,5')).toEqual({ code: 'landing', lengthCm: 20.5 });
});

it('shows nothing while all is taken', () => {
  const { container } = render(
    <NotTaken rows={[]} onSendAgain={() => {}} onThrowAway={() => {}} />,
  );
  expect(container).toBeEmptyDOMElement();
});
