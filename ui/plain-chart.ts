import type { ApexOptions } from 'apexcharts';
import { pageNonce } from './page-nonce';
import { DIM, LIGHT } from './tokens';

/** A chart in our own ink: no toolbar, no movement, square. With the colours and the letters that go with it. */
export function plainChart(theme: 'light' | 'dim') {
  const ink = theme === 'dim' ? DIM : LIGHT;
  const nonce = pageNonce();
  const chart: NonNullable<ApexOptions['chart']> = {
    ...(nonce !== undefined && { nonce }),
    toolbar: { show: false },
    zoom: { enabled: false },
    animations: { enabled: false },
    parentHeightOffset: 0,
    background: 'transparent',
    fontFamily: 'inherit',
  };
  return { ink, chart, letters: { colors: ink.ink2, fontSize: '12px' } };
}
