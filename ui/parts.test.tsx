import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { object } from 'yup';
import { someWords } from '../words/form-schemas';
import { Choice } from './choice';
import { Disclosure } from './disclosure';
import { FileDrop } from './file-drop';
import { showPart } from './fixtures/show-part';
import { RadioCards } from './radio-cards';
import { FormText, useSchemaForm } from './schema-form';
import { Slider } from './slider';
import { Tabs } from './tabs';

function Chooser() {
  const [value, setValue] = useState<'thin' | 'fair' | 'full'>('fair');
  return (
    <Choice
      label="Level"
      value={value}
      options={[
        ['thin', 'Thin'],
        ['fair', 'Fair'],
        ['full', 'Full'],
      ]}
      onChange={setValue}
    />
  );
}

it('a choice is one group of radios: pressed, or gone through by arrow keys', async () => {
  showPart(<Chooser />);
  expect(screen.getByRole('radiogroup', { name: 'Level' })).toBeInTheDocument();
  await userEvent.click(screen.getByRole('radio', { name: 'Thin' }));
  expect(screen.getByRole('radio', { name: 'Thin' })).toBeChecked();
  expect(screen.getByRole('radio', { name: 'Fair' })).not.toBeChecked();
});

it('cards say why beside each name', async () => {
  const chosen: string[] = [];
  showPart(
    <RadioCards
      label="Where fish hold"
      value="a"
      options={[
        ['a', 'Energy', 'what it gains'],
        ['b', 'Cover', 'what hides it'],
      ]}
      onChange={(v) => chosen.push(v)}
    />,
  );
  await userEvent.click(screen.getByRole('radio', { name: /Cover/ }));
  expect(chosen).toEqual(['b']);
  expect(screen.getByText(/what hides it/)).toBeInTheDocument();
});

it('a slider is a figure in words, held between its ends', async () => {
  const told: number[] = [];
  showPart(
    <Slider
      label="Water"
      min={0}
      max={25}
      step={0.5}
      value={40}
      text="11 degrees"
      onChange={(v) => told.push(v)}
    />,
  );
  // Where nothing is laid out the thumb waits, unseen, for its size.
  const slider = screen.getByRole('slider', { hidden: true });
  expect(document.getElementById(slider.getAttribute('aria-labelledby')!)).toHaveTextContent(
    'Water',
  );
  expect(slider).toHaveAttribute('aria-valuenow', '25');
  expect(slider).toHaveAttribute('aria-valuetext', '11 degrees');
  slider.focus();
  await userEvent.keyboard('{Home}');
  expect(told).toEqual([0]);
});

it('the same file can be chosen again: it may have been mended', async () => {
  const taken: string[] = [];
  showPart(<FileDrop label="Backup" accept=".json" onFile={(f) => taken.push(f.name)} />);
  const file = new File(['{}'], 'book.json', { type: 'application/json' });
  for (let n = 0; n < 2; n++) await userEvent.upload(screen.getByLabelText('Backup'), file);
  expect(taken).toEqual(['book.json', 'book.json']);
});

function Rename({ onKeep }: { onKeep: (name: string) => void }) {
  const form = useSchemaForm(object({ name: someWords('Name', 9, 'Give it one.') }), { name: '' });
  return (
    <form onSubmit={(e) => void form.handleSubmit((v) => onKeep(v.name))(e)}>
      <FormText form={form} name="name" label="Name" />
    </form>
  );
}

it('a form says at its field what is wrong, and keeps what is right', async () => {
  const kept: string[] = [];
  showPart(<Rename onKeep={(name) => kept.push(name)} />);
  const field = screen.getByLabelText('Name');
  await userEvent.type(field, '{Enter}');
  expect(await screen.findByText('Name "" is empty. Give it one.')).toBeVisible();
  expect(field).toHaveAttribute('aria-invalid', 'true');
  await userEvent.type(field, 'Alder{Enter}');
  await screen.findByDisplayValue('Alder');
  expect(kept).toEqual(['Alder']);
});

it('tabs make a page when it is opened; a disclosure opens by a press', async () => {
  const shown: string[] = [];
  const { rerender } = showPart(
    <Tabs
      label="Of it"
      value="why"
      pages={[
        ['why', 'Why', <p key="w">because</p>],
        ['list', 'List', <p key="l">all of them</p>],
      ]}
      onChange={(v) => shown.push(v)}
    />,
  );
  expect(screen.getByText('because')).toBeInTheDocument();
  expect(screen.queryByText('all of them')).toBeNull();
  await userEvent.click(screen.getByRole('tab', { name: 'List' }));
  expect(shown).toEqual(['list']);
  rerender(<></>);
  showPart(<Disclosure title="More">hidden till then</Disclosure>);
  const trigger = screen.getByRole('button', { name: 'More' });
  expect(trigger).toHaveAttribute('aria-expanded', 'false');
  await userEvent.click(trigger);
  expect(trigger).toHaveAttribute('aria-expanded', 'true');
});
