/**
 * Why an answer is what it is, as data: the interface words it, tests hold it. `source` is a key
 * into the table of sources (docs/models.md); `about` names what `what` speaks of, if need be.
 */
export interface Reason {
  what: string;
  value: number;
  unit: '' | 'm' | 's' | 'm/s' | 'J/h' | 'rad' | 'min' | '°C' | 'mg/L' | 'cm' | 'NTU';
  source: string;
  about?: string;
}
