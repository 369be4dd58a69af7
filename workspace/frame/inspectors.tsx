'use client';

import dynamic from 'next/dynamic';
import type { ComponentType } from 'react';
import type { Step } from '../state/address';
import { ReadInspector } from '../steps/read/read-panel';

/** Kept off the first load: whoever opens Read need not wait for the other steps' code. */
const loadSpot = () => import('../steps/spot/spot-panel').then((m) => m.SpotInspector);
const loadStalk = () => import('../steps/stalk/stalk-panel').then((m) => m.StalkInspector);
const loadCast = () => import('../steps/cast/cast-panel').then((m) => m.CastInspector);
const loadLog = () => import('../steps/log/log-panel').then((m) => m.LogInspector);

/** The inspector of each step that is built. */
export const INSPECTORS: Partial<Record<Step, ComponentType>> = {
  read: ReadInspector,
  spot: dynamic(loadSpot),
  stalk: dynamic(loadStalk),
  cast: dynamic(loadCast),
  log: dynamic(loadLog),
};

/** Fetched once the page stands: the network may be gone by the time a step is chosen. */
export function fetchInspectors(): void {
  for (const load of [loadSpot, loadStalk, loadCast, loadLog]) load().catch(() => {});
}
