import { screen } from '@testing-library/react';
import { TEST_SETTINGS } from '../fixtures/settings';
import { stateWith } from '../fixtures/state';
import { showIn } from '../fixtures/workspace';
import type { BeatInput } from '../state/document';
import { HeatNotice } from './heat-notice';

const show = (more: Partial<typeof TEST_SETTINGS>) =>
  showIn(
    <HeatNotice />,
    stateWith({ settings: { ...TEST_SETTINGS, ...more } }),
    {} as unknown as BeatInput,
  );
const us = { units: 'us' as const };
const methods = (heat: 'species' | 'legal') => ({ methods: { ...TEST_SETTINGS.methods, heat } });

it('says nothing while it is cool, or while nobody has read it', () => {
  show({ waterTempC: 15 });
  show({ waterTempC: null });
  expect(screen.queryByRole('status')).toBeNull();
});
it('warns near the limit, stops at it, in either unit', () => {
  show({ waterTempC: 17.5 });
  expect(screen.getByText(/near your limit of 18.3 °C/)).toBeInTheDocument();
  show({ waterTempC: 18.33, ...us });
  expect(screen.getByText(/The water is 65 °F; your limit is 65 °F. Stop now/)).toBeInTheDocument();
});
it('from 68 °F there is no advice at all, said once, with where cooler water is', () => {
  show({ waterTempC: 20, ...us });
  expect(screen.getAllByText(/No fishing advice today/)).toHaveLength(1);
  expect(screen.getByText(/springs and side streams/)).toBeInTheDocument();
});
it('who fishes on to the limit of the species is told what it costs; a legal limit is the one entered', () => {
  show({ waterTempC: 19, ...methods('species') });
  expect(screen.getByText(/more of the fish you release will die/)).toBeInTheDocument();
  show({ waterTempC: 17, ...methods('legal'), legalLimitC: 16.5 });
  expect(screen.getByText(/your limit is 16.5 °C. Stop now/)).toBeInTheDocument();
});
