'use client';

import { Button } from '../../ui/button';
import { useActions, usePart } from '../context';
import { createPlanActions } from '../plan-actions';

export function UnitsButton() {
  const acting = useActions(createPlanActions);
  const units = usePart((s) => s.settings.units);
  return (
    <Button
      voice="plain"
      onClick={() => acting.changeSettings({ units: units === 'us' ? 'metric' : 'us' })}
    >
      Units {units === 'us' ? 'ft, °F' : 'm, °C'}
    </Button>
  );
}
